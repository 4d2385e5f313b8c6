import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { machineDoubted } from '../../core/kinds/train/advice/doubt'
import { solveRound } from '../../core/kinds/train/solve/round'
import { planes } from '../../core/quantity/axis'
import { plannedFor } from '../../planner/train/plannedFor'
import { pdfText } from '../../testing/pdfText'
import { openPlant } from '../../testing/plant'
import { signedLength } from '../../words/terms'
import { packAct, sayMove } from '../../words/train/plan'
import type { TrainTerms } from '../../words/train/terms'
import { findJob } from '../db/jobs'
import type { Store } from '../db/open'
import './paper'
import type { PrintedJob } from '../../print/kind'
import { moveSheetPdf } from '../../print/train/moveSheet'
import { reportPdf } from '../../print/train/pdf'
import { asPrinted } from '../../print/type'

let folder: string
let store: Store
const jobs = new Map<string, PrintedJob<'train'>>()

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  store = await openPlant(join(folder, 'test.db'))
  for (const id of ['job-12', 'job-17', 'job-18', 'job-3'])
    jobs.set(id, (await findJob(store.db, id)) as PrintedJob<'train'>)
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const sheet = async (job: PrintedJob<'train'>, unit: 'mm' | 'mil') => pdfText((await moveSheetPdf(job, unit))!)
const page = async (job: PrintedJob<'train'>, unit: 'mm' | 'mil') => pdfText(await reportPdf(job, unit))
const tidy = (text: string) => text.replace(/\s+/g, ' ')

/** What the page shows of a job's last round. */
async function shown(job: PrintedJob<'train'>, unit: 'mm' | 'mil') {
  const { document } = job
  const round = document.rounds.at(-1)!
  const solved = solveRound(document, round)
  const plan = (await plannedFor(document, round, solved))!
  const terms: TrainTerms = { line: document.line, unit, resolution: solved.resolution }
  return { solved, plan, terms }
}

describe.each(['mm', 'mil'] as const)('the numbers on paper, in %s', (unit) => {
  it.each(['job-12', 'job-17', 'job-18'])('are those of the page: moves and readings of %s', async (id) => {
    const job = jobs.get(id)!
    const { solved, plan, terms } = await shown(job, unit)
    const [moves, report] = [await sheet(job, unit), await page(job, unit)]
    let told = 0
    for (const station of plan.stations.filter(({ vertical, horizontal }) => vertical || horizontal))
      for (const plane of planes) {
        const { text } = sayMove(station, plane, machineDoubted(solved, station.machine), terms)
        if (station[plane] === null) continue
        expect(moves).toContain(tidy(text))
        expect(report).toContain(tidy(text))
        told++
      }
    expect(told).toBeGreaterThan(1)
    for (const dial of solved.dials)
      for (const reading of dial.readings) {
        expect(report).toContain(signedLength(reading.raw, { ...terms, resolution: dial.step }))
        expect(report).toContain(signedLength(reading.corrected, { ...terms, resolution: dial.step }))
      }
    for (const foot of plan.stations.flatMap(({ feet }) => feet)) {
      const act = packAct(foot, terms)
      if (act && foot.change?.pack.shims.length) expect(moves.toLowerCase()).toContain(tidy(act))
    }
  })
})

describe('every printed page', () => {
  it('has a unit at each table and the names of the sides once', async () => {
    const job = jobs.get('job-12')!
    const [moves, report] = [await sheet(job, 'mm'), await page(job, 'mm')]
    expect(report).toContain('corrected for sag (mm)')
    expect(moves).toContain('Expected next readings (mm)')
    expect(moves).toMatch(/dial readings at each stop \( ?mm\)/)
    const { near, far } = job.document.line.sides
    for (const text of [moves, report]) {
      expect(text).toContain(`near is the ${near} side`)
      expect(text.split(`far is the ${far} side`)).toHaveLength(2)
    }
    const plain = {
      ...job,
      document: { ...job.document, line: { ...job.document.line, sides: { near: 'near', far: '' } } },
    }
    expect(await page(plain, 'mm')).not.toMatch(/near is the|far is the/)
  })
  it('says where soft foot was not measured, rather than nothing', async () => {
    expect(await page(jobs.get('job-12')!, 'mm')).toContain('Soft foot of the motor not measured at every foot.')
  })
  it('never says NaN, minus nothing or a number nobody can measure', async () => {
    for (const [id, job] of jobs)
      for (const text of [
        await page(job, id < 'job-18' ? 'mil' : 'mm'),
        await sheet(job, id < 'job-18' ? 'mm' : 'mil'),
      ])
        expect(text).not.toMatch(/NaN|undefined|Infinity|[−-]0\.0+(?!\d)|\d\.\d{6,}/)
  })
  it('carries names in Latin with marks, Greek and Cyrillic, and never noise for the rest', async () => {
    const job = jobs.get('job-12')!
    const { line } = job.document
    const names = ['Płuczka Žďár', 'Αντλία νερού', 'Насос №2', 'Bơm nước']
    const [first, second] = line.machines
    const named = {
      ...job,
      document: {
        ...job.document,
        title: names[3]!,
        note: '水泵 and \u0000more\u200B',
        line: {
          ...line,
          name: names[0]!,
          machines: [
            { ...first!, name: names[1]! },
            { ...second!, name: names[2]! },
          ],
        },
      },
    }
    for (const text of [await page(named, 'mm'), await sheet(named, 'mm')])
      for (const name of names) expect(text.normalize('NFC')).toContain(name)
    expect(await page(named, 'mm')).toContain('Note: … and more')
    expect(asPrinted('Pump\t3 – 45 °C ≤ 5 µm')).toBe('Pump 3 – 45 °C ≤ 5 µm')
    expect(asPrinted('ポンプ 3')).toBe('… 3')
    expect(asPrinted('Zu\u0308rich')).toBe('Zürich')
  })
})

describe('a move sheet of readings in doubt', () => {
  it('says so first and at each number, and promises nothing', async () => {
    const job = structuredClone(jobs.get('job-12')!)
    const probe = job.document.rounds.at(-1)!.sets[0]!.probes[0]!
    const [key] = Object.keys(probe.readings).slice(-1)
    probe.readings[key!] = { value: { text: '0.31', unit: 'mm' }, turns: 0 }
    const text = await sheet(job, 'mm')
    expect(text.indexOf('Not sure:')).toBeGreaterThan(0)
    expect(text.indexOf('Not sure:')).toBeLessThan(text.indexOf('lock out, try'))
    const { plan, terms } = await shown(job, 'mm')
    for (const station of plan.stations.filter(({ vertical }) => vertical))
      expect(text).toContain(tidy(sayMove(station, 'vertical', true, terms).text))
    expect(text).not.toContain('the next readings should be')
    expect(text).not.toMatch(/should then be within/)
  })
})
