import { describe, expect, it } from 'vitest'
import { provedOf } from '../../core/job/proved'
import { findingsFor } from '../../core/kinds/train/advice/findings'
import { makeJob } from '../../core/kinds/train/document/make'
import type { Job, Line } from '../../core/kinds/train/document/schema'
import { jobSchema, lineSchema } from '../../core/kinds/train/document/schema'
import { solveSeatOf } from '../../core/kinds/train/document/seats'
import { pumpAndMotor, readOnRig } from '../../core/kinds/train/rig'
import { solveRound } from '../../core/kinds/train/solve/round'
import { check } from '../../core/quantity/fault'
import { cautions, checkItems } from '../../core/ready/catalog'
import { readyState } from '../../core/ready/ready'
import { seatFindings } from '../../core/seat/findings'
import type { PrintedJob } from '../../print/kind'
import { reportPdf } from '../../print/train/pdf'
import { readingSheetOf } from '../../record/readingSheet'
import { recordOf } from '../../record/record'
import { methodJobs } from '../../server/demo/methods'
import { demoPlant } from '../../server/demo/plant'
import { pdfText } from '../../testing/pdfText'
import '../../server/report/paper'
import { cautionTexts } from '../cautions'
import { jointText } from '../judged'
import { checkTexts, sayReady } from '../ready'
import type { Message } from '../said'
import { orderInWords, saySeat } from '../seat'
import { say } from './findings'
import type { TrainTerms } from './terms'

const { jobs, lines } = demoPlant(new Date('2026-11-23T12:00:00Z'))
const documents = [...jobs, ...methodJobs(new Date('2026-11-23T12:00:00Z')).jobs].map((job) => job.document)

const termsOf = (job: Job, unit: 'mm' | 'mil'): TrainTerms => ({ line: job.line, unit, resolution: 0.01 })

/** Everything the program would say of a job, in both units. */
function everythingSaid(job: Job): Message[] {
  return (['mm', 'mil'] as const).flatMap((unit) => {
    const terms = termsOf(job, unit)
    const read = job.rounds.flatMap((round) => {
      const solved = solveRound(job, round)
      return (['read', 'move'] as const).flatMap((step) =>
        findingsFor(solved, step).map((finding) => say(finding, terms)),
      )
    })
    const seat = job.line.machines.flatMap(({ id }) =>
      (['loose', 'before', 'after'] as const).flatMap((pass) =>
        seatFindings(solveSeatOf(job, id, pass), 0.05).map((advice) => saySeat(advice, terms)),
      ),
    )
    return [...read, ...seat, ...sayReady(readyState(job), terms)]
  })
}

/** A job with one thing changed in its first round. */
function changed(edit: (job: Job) => void, from = 5): Job {
  const job = structuredClone(documents[from]!)
  edit(job)
  return job
}

const dialOf = (job: Job) => job.rounds[0]!.sets[0]!.probes[0]!

describe('whatever is said', () => {
  const strange: Job[] = [
    changed((job) => Object.assign(dialOf(job).readings.a90!, { value: { text: '1..2', unit: 'mm' } })),
    changed((job) => Object.assign(dialOf(job).readings.a360!, { value: { text: '0.07', unit: 'mm' } })),
    changed((job) => Object.assign(dialOf(job), { sag: { text: '', unit: 'mm' } })),
    changed((job) => Object.assign(dialOf(job), { sag: { text: '0.1', unit: 'mm' } })),
    changed((job) => Object.assign(dialOf(job).station, { distance: { text: '-90', unit: 'mm' } })),
    changed((job) => Object.assign(dialOf(job).station, { distance: { text: '900', unit: 'mm' } })),
    changed((job) => Object.assign(job.rounds[0]!.sets[0]!, { state: 'engaged' })),
    changed((job) => Object.assign(job.line, { speed: '' })),
    changed((job) =>
      Object.assign(job.rounds[0]!.sets[0]!, { state: 'engaged', engagedAccepted: 'R. T., 2026-11-23' }),
    ),
    changed((job) => Object.assign(job.rounds[0]!.sets[0]!, { turned: 'one', zeroed: 'sag', direction: 'near' }), 11),
    changed((job) => {
      const set = job.rounds[0]!.sets[0]!
      Object.assign(set, { turned: 'one', angleAs: 'clock-left' })
      Object.assign(dialOf(job), {
        runout: { swing: { text: '0.04', unit: 'mm' }, at: '90' },
        travel: { text: '0.3', unit: 'mm' },
        span: { text: '300', unit: 'mm' },
        kit: {
          dial: { id: 'k', name: 'Dial K1' },
          bracket: { id: 'b', name: 'B', span: { text: '180', unit: 'mm' }, dial: 'Dial K2', takenOn: '' },
        },
      })
      Object.assign(set.probes[1]!, { radius: { text: '', unit: 'mm' } })
    }, 11),
    changed((job) => Object.assign(dialOf(job), { travel: { text: '0.65', unit: 'mm' } }), 11),
    changed((job) => Object.assign(dialOf(job), { sd: { text: '0.0002', unit: 'mm' } }), 14),
    changed((job) => {
      // the third reading of a third dial contradicts the other two
      const set = job.rounds[0]!.sets[0]!
      const third = structuredClone(set.probes[0]!)
      third.readings.a90!.value = { text: '0.9', unit: 'mm' }
      third.readings.a270!.value = { text: '-1.35', unit: 'mm' }
      set.probes.push({ ...third, id: 'third' })
    }, 16),
    changed((job) => Object.assign(job.line.machines[1]!.feet[0]!.station, { distance: { text: '-20', unit: 'mm' } })),
    changed((job) => {
      for (const dial of job.rounds[0]!.sets[0]!.probes)
        for (const id of ['a90', 'a270', 'a360']) delete dial.readings[id]
    }),
    changed((job) => {
      for (const dial of job.rounds[0]!.sets[0]!.probes)
        for (const id of ['a90', 'a180', 'a270']) delete dial.readings[id]
    }),
  ]
  const all = [...documents, ...strange].flatMap(everythingSaid)

  it('is a sentence with its numbers in it, never a hole or a bare minus', () => {
    expect(all.length).toBeGreaterThan(200)
    for (const { title, detail = '', working = [] } of all)
      for (const text of [title, detail, ...working]) {
        expect(text).not.toMatch(/undefined|NaN|null|Infinity|\[object/)
        expect(text).not.toMatch(/(^|\s)-\d/)
        expect(text.trim()).toBe(text)
      }
    for (const { title } of all) expect(title).toMatch(/[.?]$/)
  })
  it('covers what the strange jobs were made for', () => {
    const titles = all.map(({ title }) => title).join('\n')
    for (const part of [
      'is not a number',
      'did not return to zero',
      'No bracket sag entered',
      'sags downward',
      'other machine’s side',
      'behind its machine’s front feet',
      'only read with the coupling connected',
      'no tolerance, so no verdict',
      'wrong side of the coupling',
      'plane was not measured',
      'Not enough readings yet',
      'does not close',
      'contradict each other',
      'disagree: by up to',
      'exceed its travel',
      'nearly runs out of travel',
      'enter its radius',
      'run-out of the hub',
      'is subtracted from',
      'measured at another span',
      'measured with another dial',
      'set to its sag at the top',
      'of the turn: the least certain foot',
      'One more reading would help most',
      'floated axially',
      'the sweep is rough',
      'rocks',
      'Pipe or conduit strain',
      'bent foot',
    ])
      expect(titles).toContain(part)
  })
  it('tells what it worked with, in the shown unit', () => {
    const [verdict] = all.filter(({ title }) => title.endsWith('is out of tolerance.'))
    expect(verdict!.working!.join('\n')).toMatch(/Vertical: offset 0\.\d\d mm (high|low) ± 0\.\d\d mm/)
    expect(verdict!.working!.join('\n')).toMatch(
      /As a gap over the coupling’s \d+ mm: 0\.\d\d mm wider at the (top|bottom|\w+ side)/,
    )
    expect(verdict!.working!.join('\n')).toMatch(/The maker’s or site’s figure would override it/)
  })
})

describe('the made-up plant', () => {
  it('is made of documents that the schemas take', () => {
    for (const line of lines) expect(check(lineSchema, line)).toMatchObject({ ok: true })
    for (const document of documents) expect(check(jobSchema, document)).toMatchObject({ ok: true })
  })
  it('is the same every time', () => {
    expect(demoPlant(new Date('2026-11-23T12:00:00Z')).jobs).toEqual(jobs)
  })
  it('ends its signed jobs within', () => {
    for (const { state, document } of jobs) {
      if (state !== 'signed') continue
      const { solution } = solveRound(document, document.rounds.at(-1)!)
      expect(solution.couplings.map(({ verdict }) => verdict?.state)).not.toContain('outside')
    }
  })
})

it('has words for every caution and every check', () => {
  for (const id of cautions) expect(cautionTexts[id].title).toBeTruthy()
  for (const { id } of checkItems) expect(checkTexts[id]?.title).toBeTruthy()
})

it('tells the tightening order by the names of the feet', () => {
  const job = documents[8]!
  const state = solveSeatOf(job, 'm2', 'before')
  expect(orderInWords(state.feet, state.order, termsOf(job, 'mm'))).toBe(
    'aisle-side front foot, then wall-side back foot, then wall-side front foot, then aisle-side back foot',
  )
})

describe('a verdict with growth', () => {
  /** Set low cold by what the motor grows. */
  const grown = (rise: string) => {
    const drawn = pumpAndMotor()
    return {
      ...drawn,
      machines: drawn.machines.map((machine) =>
        machine.id === drawn.fixed
          ? machine
          : {
              ...machine,
              feet: machine.feet.map((foot) => ({
                ...foot,
                growth: {
                  told: 'entered' as const,
                  source: '',
                  vertical: { text: rise, unit: 'mm' as const },
                  horizontal: { text: '0', unit: 'mm' as const },
                },
              })),
            },
      ),
    }
  }
  const truth = { offsetZ: -0.12, slopeZ: 0, offsetY: 0, slopeY: 0 }
  const toldOf = (line: Line) => {
    const job = { ...makeJob(line, '', '2026-01-01', 'mm'), rounds: [readOnRig(line, truth)] }
    const solved = solveRound(job, job.rounds[0]!)
    const found = findingsFor(solved, 'read').find(({ kind }) => kind === 'verdict')!
    return { said: say(found, termsOf(job, 'mm')), joint: provedOf(job).rounds[0]!.joints[0]!, job }
  }
  it('stands beside the running numbers it judges, and those that were read cold', () => {
    const { said, joint } = toldOf(grown('0.12'))
    expect(said.title).toMatch(/is within tolerance/)
    expect(said.detail).toMatch(
      /^Running, with growth: 0\.00 mm offset and .*Tolerance: .*As read cold: 0\.12 mm offset/,
    )
    expect(jointText(joint, { unit: 'mm', resolution: 0.01 })).toMatch(/^0\.00 mm offset .* running \(0\.12 mm offset/)
  })
  it('without growth says one state', () => {
    const { said } = toldOf(pumpAndMotor())
    expect(said.detail).toMatch(/^0\.12 mm offset .*\. Tolerance: /)
    expect(said.detail).not.toMatch(/Running/)
  })
  it('on paper says how much each pair of feet grows', async () => {
    const { job } = toldOf(grown('0.12'))
    const text = await pdfText(
      await reportPdf({ number: 1, document: job, signedAt: null } as unknown as PrintedJob<'train'>, 'mm'),
    )
    expect(text.replace(/\s+/g, ' ')).toContain('grows 0.12 mm up')
  })
  it('on paper, as on the page, a sag that nobody gave is not given: never 0.00', async () => {
    const { job } = toldOf(pumpAndMotor())
    const bare: Job = {
      ...job,
      rounds: job.rounds.map((round) => ({
        ...round,
        sets: round.sets.map((set) => ({
          ...set,
          probes: set.probes.map((probe) => ({ ...probe, sag: { text: '', unit: 'mm' as const } })),
        })),
      })),
    }
    const printed = await pdfText(
      await reportPdf({ number: 1, document: bare, signedAt: null } as unknown as PrintedJob<'train'>, 'mm'),
    )
    const text = printed.replace(/\s+/g, ' ')
    expect(text).toContain('sag not entered')
    expect(text).not.toMatch(/sag [+−]?0\.00/)
    const sheet = JSON.stringify(readingSheetOf({ number: 1, document: bare }, undefined, { unit: 'mm' }))
    expect(sheet).toContain('sag not entered')
    const record = JSON.stringify(
      recordOf({ number: 1, document: bare, lineId: 'l1' } as never, { unit: 'mm', instruments: new Map() } as never),
    )
    expect(record).toContain('sag not entered')
    expect(record).not.toMatch(/sag [+−]?0\.00/)
  })
})
