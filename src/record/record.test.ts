import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { jobFrom } from '../core/job/make'
import { type AnyJob, type AnyLine, type KindName, kindNames, kindOf } from '../core/kinds'
import { cellsOf as beltCells } from '../core/kinds/belt/document/make'
import { cellsOf as boreCells } from '../core/kinds/bore/document/make'
import { lengthCells, levelCells } from '../core/kinds/rolls/document/schema'
import { makeJob } from '../core/kinds/train/document/make'
import { pumpAndMotor, readOnRig } from '../core/kinds/train/rig'
import { makeLine, makeRound } from '../core/kinds/upright/document/make'
import { sceneSvg } from '../drawing/print'
import { newLineParts } from '../testing/newLineParts'
import { wordsOf } from '../words'
import { cellName } from '../words/belt/findings'
import { pseudo, speak } from '../words/language'
import { plainText, type Sheet } from './blocks'
import { readingCells, stationCells } from './cells'
import { readingSheetOf } from './readingSheet'
import { recordOf } from './record'
import { canonical, hashOf, type Revision, seal, verifyRevision } from './revision'
import { typedGroups } from './typed'

const line = { ...pumpAndMotor(), sides: { near: 'aisle', far: 'wall' } }
const truth = { offsetZ: -0.14, slopeZ: -0.0004, offsetY: 0.1, slopeY: 0.0003 }
const train = (): AnyJob<'train'> => ({
  ...makeJob(line, 'Test', '2026-01-01T08:00:00Z', 'mm'),
  rounds: [readOnRig(line, truth)],
})
const upright = (): AnyJob<'upright'> => {
  const pair = makeLine('Well pump', 'mm', ['Pump', 'Motor'])
  return { title: 'Test', note: '', minutes: '', doneBy: '', line: pair, rounds: [makeRound(pair, '2026-01-01', 'mm')] }
}
const textOf = (sheet: Sheet) => JSON.stringify(sheet.blocks)

describe('a record', () => {
  it('is made of a job of every kind, read or not, with its drawing and its tables', () => {
    for (const document of [train(), upright()] as AnyJob[]) {
      const sheet = recordOf({ number: 7, document }, { unit: 'mm' })
      expect(sheet.under).toContain('job 7')
      expect(sheet.foot).toBe('Job 7, not signed.')
      expect(sheet.blocks[0]?.kind).toBe('verdict')
      expect(textOf(sheet)).toContain('Conditions')
    }
    const kinds = recordOf({ number: 7, document: train() }, { unit: 'mm' }).blocks.map(({ kind }) => kind)
    expect(kinds.filter((kind) => kind === 'drawing')).toHaveLength(1)
    expect(kinds.filter((kind) => kind === 'table').length).toBeGreaterThanOrEqual(4)
  })
  it('tells the same numbers in mil, with their unit on every table', () => {
    const [mm, mil] = (['mm', 'mil'] as const).map((unit) => recordOf({ number: 1, document: train() }, { unit }))
    const rows = (sheet: Sheet | undefined) =>
      sheet?.blocks.flatMap((block) =>
        block.kind === 'table' && block.title.startsWith('Every station') ? [block] : [],
      )[0]
    expect([rows(mm)?.title, rows(mil)?.title]).toEqual([
      'Every station, as found and as left, mm',
      'Every station, as found and as left, mil',
    ])
    rows(mm)?.rows.forEach((row, i) => {
      const [inMm, inMil] = [row[2] ?? '', rows(mil)?.rows[i]?.[2] ?? '']
      expect(inMil.replace(/[\d.]+ mil/, '')).toBe(inMm.replace(/[\d.]+ mm/, ''))
      expect(Number.parseFloat(inMil) * 0.0254).toBeCloseTo(Number.parseFloat(inMm), 2)
    })
  })
  it('prints what was accepted, with its reason, and who signed', () => {
    const signed = {
      revision: 3,
      doneBy: 'R. T.',
      checkedBy: 'I. M.',
      at: '2026-01-02T10:00:00',
      sha256: 'ab'.repeat(32),
      accepted: [{ what: 'Coupling is out of tolerance.', because: 'Until the outage.' }],
    }
    const sheet = recordOf(
      { number: 1, document: train() },
      { unit: 'mm', site: { name: 'Kelp Works', mark: '' }, signed },
    )
    expect(sheet.foot).toBe(`Job 1, revision 3. SHA-256 ${'ab'.repeat(32)}`)
    expect(sheet.under).toEqual(expect.arrayContaining(['Kelp Works', 'revision 3']))
    expect(textOf(sheet)).toContain('Until the outage.')
    expect(sheet.blocks).toContainEqual({
      kind: 'signatures',
      lines: [
        { title: 'Done by', by: 'R. T.' },
        { title: 'Checked by', by: 'I. M.' },
        { title: 'Date and time', by: '2 January 2026, 10:00' },
      ],
    })
  })
  it('does not say that nothing was moved once a move is written down', () => {
    const [first] = upright().rounds
    const drawn = (rounds: AnyJob<'upright'>['rounds']) =>
      textOf(recordOf({ number: 1, document: { ...upright(), rounds } }, { unit: 'mm' }))
    expect(drawn([{ ...first!, done: { 'push.vertical': { text: '0.12', unit: 'mm' } } }])).not.toContain(
      'nothing was moved',
    )
  })
  it('is plain text down to its appendix', () => {
    const text = plainText(recordOf({ number: 1, document: train() }, { unit: 'mm' }))
    expect(text).toMatch(/^Test pump: alignment record\n/)
    expect(text).toContain('Motor, back feet, up, ')
    expect(text).not.toContain('Readings, round')
  })
  it('says all of it in the language that is spoken', () => {
    try {
      speak(pseudo)
      const marks = (text: string) => text.replace(/[A-Za-z](?!\u0323)/g, '')
      const { blocks } = recordOf({ number: 1, document: train() }, { unit: 'mm' })
      for (const block of blocks)
        if (block.kind === 'heading' || block.kind === 'verdict')
          expect(marks(block.text).length).toBeGreaterThan(block.text.length / 2)
    } finally {
      speak()
    }
  })
})

describe('a reading sheet', () => {
  const job = (kind: KindName): AnyJob => {
    const of = kindOf({ kind })
    const own = of.makeLine('Test', 'mm', newLineParts[kind]) as AnyLine
    return jobFrom(own, of.makeRound(own, '2026-01-01T08:00:00Z', 'mm'), 'Test') as AnyJob
  }
  const boxesOf = (document: AnyJob) =>
    readingSheetOf({ number: 1, document }, undefined, { unit: 'mm' }).blocks.flatMap((block) =>
      block.kind === 'table' && block.blank ? [block] : [],
    )
  /** How many numbers a round of each kind is read for, as it is set up. */
  const asked: { [K in KindName]: (document: AnyJob<K>) => number } = {
    train: ({ rounds: [round] }) => round!.sets.reduce((sum, set) => sum + set.angles.length * set.probes.length, 0),
    upright: ({ rounds: [round] }) => round!.sets.reduce((sum, set) => sum + set.angles.length * set.probes.length, 0),
    belt: ({ rounds: [round] }) => round!.sets.reduce((sum, set) => sum + beltCells(set).length, 0),
    bore: ({ rounds: [round] }) => round!.sets.reduce((sum, set) => sum + boreCells(set).length, 0),
    rolls: ({ line: { rolls } }) => rolls.length * (levelCells.length + lengthCells.length),
  }

  it.each(kindNames)('has a box for every reading and for every dimension of the kind %s', (kind) => {
    const document = job(kind)
    const tables = boxesOf(document)
    const empty = tables.flatMap(({ rows }) => rows.flatMap((row) => row.slice(1))).filter((cell) => cell.trim() === '')
    const want = (asked[kind] as (document: AnyJob) => number)(document)
    expect(want).toBeGreaterThan(3)
    const dimensions = typedGroups(wordsOf({ kind }).typed, 'line', document.line, {
      line: document.line,
      title: '',
      blank: true,
    })
      .flatMap(({ rows }) => rows.flatMap(({ cells }) => [...cells.values()]))
      .filter(({ text }) => text === '')
    expect(dimensions.length).toBeGreaterThan(2)
    expect(empty.length).toBeGreaterThanOrEqual(want + dimensions.length)
    for (const { head, rows } of tables) for (const row of rows) expect(row).toHaveLength(head.length || 2)
  })
  it('has the cautions, and the bolts of an upright machine', () => {
    expect(textOf(readingSheetOf({ number: 1, document: train() }, undefined, { unit: 'mm' }))).toContain(
      'Energy isolated and locked',
    )
    expect(textOf(readingSheetOf({ number: 1, document: upright() }, undefined, { unit: 'mil' }))).toContain('bolt 1')
  })
  it('has no reading that was typed, and the boxes of the method that was chosen', () => {
    for (const { rows } of boxesOf(train()).filter(({ title }) => title.includes('dial')))
      for (const row of rows) expect(row.slice(1).every((cell) => cell.trim() === '')).toBe(true)
    const drive = job('belt') as AnyJob<'belt'>
    const [set] = drive.rounds[0]!.sets
    const edge = { ...drive, rounds: [{ ...drive.rounds[0]!, sets: [{ ...set!, method: 'edge' as const }] }] }
    expect(boxesOf(edge)[0]?.head.slice(1)).toEqual(
      beltCells({ method: 'edge', twice: false }).map((key) => cellName(key, drive.line)),
    )
  })
})

describe('cells for a spreadsheet', () => {
  it('are plain numbers, up and toward the far side above zero', () => {
    const [head, ...rows] = stationCells(train(), 'mm')
    expect(head).toContain('As found, mm')
    const back = rows.find((row) => row[0] === 'Motor, back feet' && row[1] === 'up')
    expect(Number(back?.[2])).toBeCloseTo(truth.offsetZ + truth.slopeZ * 690, 2)
    const [, ...readings] = readingCells(train(), 'mm')
    expect(readings.length).toBe(8)
    for (const row of readings) expect(Number.isFinite(Number(row[5]))).toBe(true)
  })
})

describe('a drawing as a file', () => {
  it('is one SVG with nothing to fetch, whatever names are in it', () => {
    const odd = { ...train(), line: { ...line, machines: line.machines.map((one) => ({ ...one, name: '<b>"&' })) } }
    const { blocks } = recordOf({ number: 1, document: odd }, { unit: 'mm' })
    const drawing = blocks.find((block) => block.kind === 'drawing')
    const svg = drawing?.kind === 'drawing' ? sceneSvg(drawing.scene, 'A <title>') : ''
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www\.w3\.org\/2000\/svg"/)
    expect(svg).not.toMatch(/<b>|href|url\(|<script/)
    const { opened, closed } = tagsIn(svg)
    expect(opened).toBe(closed)
  })
})

/** Counts what is opened and closed: enough to see that a file is well formed. */
function tagsIn(text: string): { opened: number; closed: number } {
  const opened = [...text.matchAll(/<[a-z][^>]*?(\/?)>/g)].filter(([, self]) => self !== '/').length
  return { opened, closed: [...text.matchAll(/<\/[a-z]+>/g)].length }
}

describe('a revision', () => {
  // a hash that is none: what matters here is what goes into it
  const hash = (text: string) => {
    let sum = 0n
    for (const letter of text) sum = (sum * 1_000_003n + BigInt(letter.codePointAt(0) ?? 0)) % (1n << 256n)
    return sum.toString(16).padStart(64, '0')
  }
  const revision = (): Revision => ({
    format: 'vane-peg.revision',
    version: 1,
    job: { id: 'j', number: 1 },
    revision: 1,
    program: { core: 1 },
    signed: { doneBy: 'R. T.', checkedBy: '', at: '2026-01-02T10:00:00Z', unit: 'mm', accepted: [] },
    site: { name: '', mark: '' },
    instruments: [],
    next: null,
    document: train(),
    result: null,
  })
  it('has one text for one content, in whatever order it was written', () => {
    expect(canonical({ b: 1, a: [1, { d: null, c: 'ü' }] })).toBe('{"a":[1,{"c":"ü","d":null}],"b":1}')
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.jsonValue()), (content) => {
        const turned = Object.fromEntries(Object.entries(content).reverse())
        expect(canonical(JSON.parse(JSON.stringify(turned)))).toBe(canonical(JSON.parse(JSON.stringify(content))))
      }),
    )
  })
  it('is hashed without its own hash, and found changed wherever it was', async () => {
    const sealed = seal(revision(), hash)
    expect(hashOf(sealed, hash)).toBe(sealed.sha256)
    const check = (one: object) => verifyRevision(JSON.stringify(one), { hash, solve: async () => null })
    expect(await check(sealed)).toMatchObject({ ok: true, solvedAgain: 'older-program' })
    const changes: object[] = [
      { revision: 2 },
      { site: { name: 'x', mark: '' } },
      { signed: { ...sealed.signed, checkedBy: 'x' } },
      { document: { ...sealed.document, note: 'x' } },
      { result: {} },
      { more: 1 },
    ]
    for (const change of changes) expect(await check({ ...sealed, ...change })).toEqual({ ok: false, fault: 'changed' })
    expect(await check({ ...sealed, sha256: 'x' })).toEqual({ ok: false, fault: 'not-a-revision' })
    expect(await check([])).toEqual({ ok: false, fault: 'not-a-revision' })
  })
})
