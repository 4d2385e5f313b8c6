import { describe, expect, it } from 'vitest'
import { caseA } from './caseA'
import type { Survey } from './schema'
import { solveSurvey } from './solve'

function solved(document: unknown) {
  const result = solveSurvey(document)
  if (!result.ok) throw new Error(`${result.fault.path}: ${result.fault.message}`)
  return result.value
}

/** Readings of a dial of the first measurement. */
const readingsIn = ({ measurements }: Survey, probe: number): [number, number][] => {
  const found = measurements[0]?.probes[probe]
  if (!found || !('readings' in found)) throw new Error('no dial there')
  return found.readings as [number, number][]
}

describe('worked cases', () => {
  it('A, reverse dials, to the last digit', () => {
    const result = solved(caseA())
    const [front, back] = result.feet
    expect(result.feet.map((foot) => foot.foot)).toEqual(['motor-in', 'motor-out'])
    expect(front!.vertical!.position).toBeCloseTo(0.216, 9)
    expect(back!.vertical!.position).toBeCloseTo(0.396, 9)
    expect(front!.horizontal!.move).toBeCloseTo(0.122, 9)
    expect(back!.horizontal!.move).toBeCloseTo(0.257, 9)
    expect(result.couplings[0]!.vertical!.offset).toBeCloseTo(0.12, 9)
    expect(result.couplings[0]!.horizontal!.slope).toBeCloseTo(-0.0003, 12)
    expect(result.couplings[0]!.verdict!.state).toBe('outside')
    expect(result.warnings).toEqual([])
  })
  it('B, rim and face with the bracket on the pump', () => {
    const survey = caseA()
    survey.measurements[0]!.probes = [
      {
        type: 'rim',
        on: 'motor',
        x: 60,
        sag: -0.06,
        readings: [
          [0, 0],
          [90, -0.242],
          [180, -0.348],
          [270, -0.106],
        ],
      },
      {
        type: 'face',
        on: 'motor',
        radius: 75,
        readings: [
          [0, 0],
          [90, -0.0525],
          [180, -0.06],
          [270, -0.0075],
        ],
      },
    ]
    const [front, back] = solved(survey).feet
    expect(front!.vertical!.move).toBeCloseTo(-0.216, 9)
    expect(back!.vertical!.move).toBeCloseTo(-0.396, 9)
    expect(front!.horizontal!.move).toBeCloseTo(0.122, 9)
    expect(back!.horizontal!.move).toBeCloseTo(0.257, 9)
  })
  it('the same job in inches and mils', () => {
    const survey = caseA()
    const inch = (mm: number) => mm / 25.4
    survey.units = { length: 'in', reading: 'mil' }
    for (const foot of survey.train.machines.flatMap((machine) => machine.feet)) foot.x = inch(foot.x)
    survey.train.couplings[0]!.diameter = inch(160)
    for (const probe of survey.measurements[0]!.probes) {
      if (probe.type !== 'rim') continue
      probe.x = inch(probe.x)
      probe.sag = (probe.sag ?? 0) / 0.0254
      probe.readings = probe.readings.map(([angle, value]) => [angle, value / 0.0254])
    }
    const result = solved(survey)
    expect(result.feet[1]!.vertical!.position * 0.0254).toBeCloseTo(0.396, 9)
    expect(result.couplings[0]!.verdict!.offsetLimit * 0.0254).toBeCloseTo(0.0774, 4)
  })
})

describe('what is said beside the numbers', () => {
  it('a dial that does not close, an engaged coupling, a short arc, a plane not read', () => {
    const survey = caseA()
    survey.measurements[0]!.state = 'engaged'
    readingsIn(survey, 1)[2]![1] = -0.104
    const codes = (s: Survey) => solved(s).warnings.map((w) => w.code)
    expect(codes(survey)).toEqual(['engaged', 'not-closed'])
    const upDown = caseA()
    for (const probe of upDown.measurements[0]!.probes)
      if (probe.type === 'rim')
        probe.readings = [
          [0, 0],
          [180, -0.3],
        ]
    expect(codes(upDown)).toEqual(['one-plane'])
    expect(solved(upDown).couplings[0]!.horizontal).toBeNull()
    const arc = caseA()
    for (const probe of arc.measurements[0]!.probes)
      if (probe.type === 'rim')
        probe.readings = [
          [0, 0],
          [30, -0.01],
          [60, -0.03],
        ]
    expect(codes(arc)).toEqual(['short-arc'])
  })
  it('lists every foot when two are held', () => {
    const survey = { ...caseA(), plan: { mode: 'hold', hold: ['pump-in', 'motor-out'] } }
    expect(solved(survey).feet.map((f) => f.foot)).toEqual(['pump-in', 'motor-in', 'motor-out'])
  })
})

it('takes growth that is given in one plane for none in the other', () => {
  const grown = (growth: object) => {
    const survey = caseA()
    Object.assign(survey.train.machines[1]!.feet[0]!, { growth })
    Object.assign(survey.train.machines[0]!.feet[0]!, { growth })
    return solved(survey).feet
  }
  expect(grown({ horizontal: 0.1 })).toEqual(grown({ horizontal: 0.1, vertical: 0 }))
  expect(grown({ vertical: 0.1 })).toEqual(grown({ vertical: 0.1, horizontal: 0 }))
})

it('says of a coupling at which nothing was read that nothing was read there', () => {
  const survey = caseA()
  survey.train.machines.push({ id: 'fan', feet: [{ id: 'fan-in', x: 1200 }] })
  survey.train.couplings.push({ id: 'C2', left: 'motor', right: 'fan', x: 900, diameter: 160 })
  expect(solved(survey).warnings.map(({ code, message }) => [code, message.includes('C2')])).toEqual([
    ['not-measured', true],
  ])
})

describe('what no machine has', () => {
  const many = <T>(one: T, n: number): T[] => Array.from({ length: n }, () => one)
  const said = (edit: (survey: Survey) => unknown) => {
    const survey = caseA()
    edit(survey)
    const result = solveSurvey(JSON.parse(JSON.stringify(survey)))
    return result.ok ? 'solved' : result.fault.path
  }
  it.each<[string, string, (s: Survey) => unknown]>([
    ['a million shims in a pack', 'plan.maxShims', (s) => Object.assign(s, { plan: { maxShims: 1_000_000 } })],
    ['sixty-one thicknesses', 'plan.stock', (s) => Object.assign(s, { plan: { stock: many(0.1, 61) } })],
    [
      'thirteen probes',
      'measurements.0.probes',
      (s) => s.measurements[0]!.probes.push(...many(s.measurements[0]!.probes[0]!, 11)),
    ],
    ['sixty-one sets', 'measurements', (s) => s.measurements.push(...many(s.measurements[0]!, 60))],
    ['twenty-one machines', 'train.machines', (s) => s.train.machines.push(...many(s.train.machines[0]!, 19))],
    [
      'a kilometer and more',
      'measurements.0.probes.0.x',
      (s) => Object.assign(s.measurements[0]!.probes[0]!, { x: 1e7 }),
    ],
    [
      'a deviation of nothing much',
      'measurements.0.probes.0.sd',
      (s) => Object.assign(s.measurements[0]!.probes[0]!, { sd: 1e-9 }),
    ],
    ['a name of a book’s length', 'train.name', (s) => Object.assign(s.train, { name: 'x'.repeat(201) })],
  ])('is refused by its place: %s', (_, path, edit) => {
    expect(said(edit)).toBe(path)
  })
  it('is told for what it is where it is no document at all', () => {
    for (const [document, message] of [
      [null, 'expected an object, found null'],
      ['x', 'expected an object, found "x"'],
    ] as const)
      expect(solveSurvey(document)).toEqual({ ok: false, fault: { path: '', message } })
    expect(solveSurvey({ ...caseA(), units: 7 })).toMatchObject({
      fault: { path: 'units', message: 'expected an object, found 7' },
    })
    const { units: _, ...rest } = caseA()
    expect(solveSurvey(rest)).toEqual({ ok: false, fault: { path: 'units', message: 'missing' } })
  })
})

describe('bad input names the place', () => {
  type Edit = (survey: Survey) => unknown
  const cases: readonly (readonly [string, string, Edit])[] = [
    ['an unknown key', 'train.color', (s) => Object.assign(s.train, { color: 'blue' })],
    [
      'a missing station',
      'measurements.0.probes.0.x',
      (s) => Reflect.deleteProperty(s.measurements[0]!.probes[0]!, 'x'),
    ],
    [
      'a number that is none',
      'measurements.0.probes.1.readings.2.1',
      (s) => Object.assign(readingsIn(s, 1)[2]!, { 1: 'x' }),
    ],
    ['an infinite number', 'train.rpm', (s) => Object.assign(s.train, { rpm: Number.POSITIVE_INFINITY })],
    [
      'a foot twice',
      'train.machines.1.feet.1.id',
      (s) => Object.assign(s.train.machines[1]!.feet[1]!, { id: 'motor-in' }),
    ],
    ['a machine not there', 'train.fixed', (s) => Object.assign(s.train, { fixed: 'fan' })],
    [
      'a coupling the wrong way round',
      'train.couplings.0.right',
      (s) => Object.assign(s.train.couplings[0]!, { left: 'motor', right: 'pump' }),
    ],
    ['a coupling not there', 'measurements.0.coupling', (s) => Object.assign(s.measurements[0]!, { coupling: 'C9' })],
    [
      'a probe on no machine here',
      'measurements.0.probes.0.on',
      (s) => Object.assign(s.measurements[0]!.probes[0]!, { on: 'fan' }),
    ],
    [
      'a probe of an unknown kind',
      'measurements.0.probes.0.type',
      (s) => Object.assign(s.measurements[0]!.probes[0]!, { type: 'string' }),
    ],
    ['nothing measured', 'measurements', (s) => Object.assign(s, { measurements: [] })],
    ['too little measured', 'measurements.0', (s) => s.measurements[0]!.probes.pop()],
    [
      'two held feet at one station',
      'plan.hold',
      (s) => Object.assign(s, { plan: { mode: 'hold', hold: ['motor-in', 'motor-in'] } }),
    ],
  ]
  it.each(cases)('%s at %s', (_, path, edit) => {
    const survey = structuredClone(caseA())
    edit(survey)
    const result = solveSurvey(survey)
    expect(result).toMatchObject({ ok: false, fault: { path, message: expect.stringMatching(/\w{3}/) } })
  })
  it('and of something that is no document at all', () => {
    expect(solveSurvey([])).toMatchObject({ ok: false })
    expect(solveSurvey(null)).toMatchObject({ ok: false, fault: { path: '' } })
  })
})

it('publishes the JSON Schema that its own schema makes', async () => {
  const { readFileSync } = await import('node:fs')
  const { toJsonSchema } = await import('@valibot/to-json-schema')
  const { surveySchema } = await import('./schema')
  const made = { title: 'Vane Peg survey, version 1', ...toJsonSchema(surveySchema, { errorMode: 'ignore' }) }
  expect(JSON.parse(readFileSync('docs/survey.schema.json', 'utf8'))).toEqual(made)
})

describe('a sag that nobody gave', () => {
  const without = (sag: null | undefined) => {
    const survey = caseA()
    for (const probe of survey.measurements[0]!.probes) {
      if (!('sag' in probe)) throw new Error('a dial')
      if (sag === null) probe.sag = null
      else delete probe.sag
    }
    return solved(survey)
  }
  it('left out is none; null is not given: solved as zero, never sure in height', () => {
    const [none, unknown] = [without(undefined), without(null)]
    expect(unknown.feet).toEqual(none.feet)
    expect(none.warnings.map(({ code }) => code)).not.toContain('no-sag')
    expect(unknown.warnings.filter(({ code }) => code === 'no-sag')).toHaveLength(2)
    expect(unknown.couplings[0]?.verdict?.probability).toBe(none.couplings[0]?.verdict?.probability)
  })
  it('keeps a verdict within at can’t tell', () => {
    const state = (sag: number | null) => {
      const survey = caseA()
      survey.measurements[0]!.probes = survey.measurements[0]!.probes.map((probe) =>
        probe.type === 'rim' ? { ...probe, sag, readings: [0, 90, 180, 270].map((angle) => [angle, 0]) } : probe,
      )
      return solved(survey).couplings[0]?.verdict?.state
    }
    expect([state(null), state(0)]).toEqual(['unsure', 'within'])
  })
})

describe('dials zeroed once for height and once more for sideways', () => {
  const twice = () => {
    const survey = caseA()
    const [measurement] = survey.measurements
    measurement!.zeroed = 'planes'
    // motor rim and pump rim of the worked case, each side read from a zero at the far side
    const readings: [number, number][][] = [
      [
        [0, 0],
        [90, 0],
        [180, -0.412],
        [270, 0.154],
      ],
      [
        [0, 0],
        [90, 0],
        [180, 0.104],
        [270, -0.058],
      ],
    ]
    for (const [p, probe] of measurement!.probes.entries()) if (probe.type === 'rim') probe.readings = readings[p]!
    return survey
  }
  it('give the positions of the worked case, and have no closure', () => {
    const [one, two] = [solved(caseA()), solved(twice())]
    for (const [f, foot] of two.feet.entries())
      for (const plane of ['vertical', 'horizontal'] as const)
        expect(foot[plane]!.position).toBeCloseTo(one.feet[f]![plane]!.position, 2)
    expect(two.probes.map(({ closure }) => closure)).toEqual([null, null])
    expect(two.warnings.map(({ code }) => code)).not.toContain('not-closed')
  })
  it('are refused between the quarters, by path', () => {
    const survey = twice()
    const [probe] = survey.measurements[0]!.probes
    if (probe?.type !== 'rim') throw new Error('a rim')
    probe.readings.push([45, 0.1])
    expect(solveSurvey(survey)).toMatchObject({ ok: false, fault: { path: 'measurements.0.probes.0.readings.4.0' } })
  })
})

it('lists the slip that would close a dial', () => {
  const survey = caseA()
  readingsIn(survey, 1)[2]![1] = -0.104
  expect(solved(survey).suspects).toContainEqual({
    measurement: 0,
    probe: 1,
    reading: 2,
    fault: 'sign',
    would: 0.104,
    closure: expect.closeTo(0, 9),
  })
})

it('tells soft foot from a document without measurements', () => {
  const mil = (x: number) => x / 0.0254
  const foot = (id: string, x: number, y: number, rise: number) => ({ id, x: x / 25.4, y: y / 25.4, rise: mil(rise) })
  const document = {
    ...caseA(),
    units: { length: 'in', reading: 'mil' },
    measurements: [],
    seat: [
      {
        machine: 'motor',
        feet: [
          foot('M1', 240, -150, 0.2),
          foot('M2', 240, 150, 0),
          foot('M3', 690, 150, 0.2),
          foot('M4', 690, -150, 0.01),
        ],
      },
      { machine: 'pump', threshold: 2, feet: [foot('P1', -240, -150, 0.01), foot('P2', -240, 150, 0.02)] },
    ],
  }
  const result = solved(document)
  expect([result.couplings, result.feet]).toEqual([[], []])
  expect(result.seat![0]).toMatchObject({
    machine: 'motor',
    ok: false,
    findings: [{ kind: 'rocking', feet: ['M1', 'M3'], because: expect.stringContaining('M1 rises 7.9') }],
  })
  expect(result.seat![0]!.cure).toEqual([{ foot: 'M1', shim: 8 }])
  expect(result.seat![1]).toMatchObject({ ok: true, findings: [{ kind: 'clean', feet: [] }], cure: [] })
})

it('says of a key that is missing just that', () => {
  const result = solveSurvey({ format: 'vane-peg.survey', version: 1 })
  expect(result).toMatchObject({ ok: false, fault: { path: 'units', message: 'missing' } })
})

it('a plan of the least moves for more than it can take on is refused by its place', () => {
  const survey = caseA()
  const feet = Array.from({ length: 13 }, (_, i) => ({ id: `f${i}`, x: 200 + 10 * i }))
  const [pump, motor] = survey.train.machines
  const crowded = {
    ...survey,
    plan: { mode: 'least' as const },
    train: { ...survey.train, machines: [pump!, { ...motor!, feet }] },
  }
  expect(solveSurvey(crowded)).toMatchObject({ ok: false, fault: { path: 'train.machines.1.feet' } })
})
