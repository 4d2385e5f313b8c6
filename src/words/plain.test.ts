import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { type AnyJob, kindNames } from '../core/kinds'
import { forbiddenIn, plainFaults, textsBelow } from '../testing/plainEnglish'
import { plantJobs } from '../testing/plant'
import { toldOf } from '../testing/told'

/** Words of stored documents and of the audit trail, and what command lines print as a table. */
const asStored = new Set(['put away', 'brought back'])
const asTable = /^Create an administrator/

it('every text of the program is plain English: words, page, server, command line, core, records', () => {
  const texts = textsBelow(
    ...['words', 'web', 'server', 'cli', 'core', 'record', 'print', 'drawing', 'planner'].map((room) => `src/${room}`),
  )
  // a reader that finds nothing would pass everything
  expect(texts.length).toBeGreaterThan(4000)
  const bad = texts.flatMap(({ file, line, text }) =>
    asStored.has(text) || asTable.test(text)
      ? []
      : plainFaults(text).map((fault) => `${file}:${line} ${fault}: ${text}`),
  )
  expect(bad).toEqual([])
})

it('what a person could be hurt by is a caution, which never folds, and no detail, which may', () => {
  const danger = /\b(fingers?|lock out|lockout|never reach|pinch point|nip hazard|guards closed)\b/i
  const findings = readdirSync('src/words', { recursive: true, encoding: 'utf8' }).filter((file) =>
    /(^|\/)(findings|readFindings|plan|seat)\.ts$/.test(file),
  )
  expect(findings.length).toBeGreaterThan(6)
  const bad = findings.flatMap((file) =>
    readFileSync(join('src/words', file), 'utf8')
      .split('\n')
      .flatMap((text, i) => (/\bdetail:/.test(text) && danger.test(text) ? [`${file}:${i + 1} ${text.trim()}`] : [])),
  )
  expect(bad).toEqual([])
})

it('the documents are plain English too, but for code and stored words', () => {
  const files = [
    'README.md',
    'CONTRIBUTING.md',
    ...readdirSync('docs').flatMap((name) => (/\.md$/.test(name) ? [`docs/${name}`] : [])),
  ]
  const bad = files.flatMap((file) =>
    readFileSync(file, 'utf8')
      .replaceAll(/`[^`\n]*`|^ {4}.*$|\]\([^)]*\)/gm, '')
      .split('\n')
      .flatMap((line, i) => forbiddenIn(line).map((fault) => `${file}:${i + 1} ${fault}`)),
  )
  expect(bad).toEqual([])
})

it.each([
  ['The pump is told from the motor.', 'home-made word: “told”'],
  ['Move the sheave which stays.', 'a clause for a noun: “which stays”'],
  ['The center is grey.', 'not American: “grey”'],
  ['It is -0.31 mm off.', 'a hyphen for a minus: “-0.31 mm”'],
  ['±0.01 mm', 'no space after ±: “±0”'],
  ['The motor is 0.31 high.', 'no unit before high or low: “0.31 high”'],
  ['One; two; three.', 'two semicolons'],
  [`${'word '.repeat(21)}.`, '21 words in a sentence'],
])('notices %s', (text, fault) => {
  expect(plainFaults(text)).toEqual([fault])
})

describe('with values put in', () => {
  let jobs: readonly AnyJob[]
  beforeAll(async () => {
    jobs = await plantJobs()
  })

  describe.each(kindNames)('what is said of the kind %s', (kind) => {
    const own = () => jobs.filter(({ line }) => line.kind === kind).slice(0, 12)

    it.each(['mm', 'mil'] as const)('is plain English in %s', (unit) => {
      const bad = new Set(
        own().flatMap((job) =>
          toldOf(job, unit, true).flatMap((text) => plainFaults(text).map((fault) => `${fault}: ${text}`)),
        ),
      )
      expect([...bad]).toEqual([])
    })

    it('keeps every name that a person typed, letter for letter', () => {
      const bad: string[] = []
      for (const job of own()) {
        const { document, names } = renamed(job)
        const texts = toldOf(document, 'mm')
        expect(texts.some((text) => names.some((name) => text.includes(name)))).toBe(true)
        for (const text of texts)
          for (const name of names) {
            const at = [...text.matchAll(new RegExp(name, 'gi'))].map(([found]) => found)
            if (at.some((found) => found !== name)) bad.push(`${name}: ${text}`)
          }
      }
      expect(bad).toEqual([])
    })
  })
})

/** A job whose machines, sides and title are named in letters that no rule of spelling would choose. */
function renamed(job: AnyJob): { document: AnyJob; names: string[] } {
  const document = structuredClone(job)
  const names: string[] = []
  const name = (of: { name: string }, i: number) => {
    of.name = `xRoll-${i}Qz`
    names.push(of.name)
  }
  const { line } = document
  const parts = ['machines', 'sheaves', 'bores', 'rolls'] as const
  for (const key of parts) {
    const of = (line as unknown as Record<string, { name: string }[] | undefined>)[key]
    of?.forEach(name)
  }
  if ('sides' in line) {
    line.sides = { near: 'yNear WallQ', far: 'zFar bAy' }
    names.push('yNear WallQ', 'zFar bAy')
  }
  return { document, names }
}
