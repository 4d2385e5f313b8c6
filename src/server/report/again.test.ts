import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { provedOf } from '../../core/job/proved'
import { type AnyJob, kindNames, kindOf } from '../../core/kinds'
import { parseNumber } from '../../core/quantity/number'
import { sheetPdf } from '../../print/tagged'
import { recordOf } from '../../record/record'
import { type TypedGroup, typedGroups } from '../../record/typed'
import { openPlant } from '../../testing/plant'
import { wordsOf } from '../../words'
import { recordWords } from '../../words/record'
import type { Store } from '../db/open'
import './paper'

/** A signed record is enough to work all of it out again: every number is read off the PDF, and gives the same answer. */

let folder: string
let store: Store
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  store = await openPlant(join(folder, 'test.db'))
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

interface Printed {
  title: string
  rows: string[][]
}
interface Node {
  role?: string
  type?: string
  id?: string
  children?: Node[]
}

/** The tables of a tagged PDF, under the heading that they stand below; one that goes over a page is one. */
async function tablesOf(pdf: Uint8Array): Promise<Map<string, Printed[]>> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  const found = new Map<string, Printed[]>()
  let [heading, title] = ['', '']
  for (let n = 1; n <= document.numPages; n++) {
    const page = await document.getPage(n)
    const texts = new Map<string, string>()
    let open: string[] = []
    for (const item of (await page.getTextContent({ includeMarkedContent: true })).items)
      if ('str' in item) {
        const id = open.at(-1)
        if (id) texts.set(id, `${texts.get(id) ?? ''}${item.str}${item.hasEOL ? ' ' : ''}`)
      } else if (item.type === 'endMarkedContent') open.pop()
      else open.push(item.id ?? '')
    open = []
    const textOf = (node: Node): string =>
      (node.id ? (texts.get(node.id) ?? '') : (node.children ?? []).map(textOf).join(' ')).replace(/\s+/g, ' ').trim()
    let begun = false
    const visit = (node: Node): void => {
      if (node.role === 'H2') heading = textOf(node)
      if (node.role === 'P') title = textOf(node)
      if (node.role !== 'Table') {
        begun ||= node.role === 'P' || node.role === 'H2'
        for (const child of node.children ?? []) visit(child)
        return
      }
      const rows = (node.children ?? [])
        .map((row) => (row.children ?? []).map(textOf))
        // where a page ends the reader lists the row on the other side of it once more, empty
        .filter((row) => row.some(Boolean))
      if (rows.length === 0) return
      const list = found.get(heading) ?? []
      const last = list.at(-1)
      if (!begun && last && rows[0]?.[0] !== '') last.rows.push(...rows)
      else list.push({ title: title.replace(/\s+/g, ' '), rows })
      found.set(heading, list)
      begun = true
    }
    visit((await page.getStructTree()) as Node)
  }
  await document.destroy()
  return found
}

const squeezed = (text: string) => text.replace(/\s+/g, '')

/** What a table says of a part under a label, whichever way it was laid out. */
function cellIn(tables: readonly Printed[], title: string, row: string, label: string): string | undefined {
  const is = (a: string | undefined, b: string) => squeezed(a ?? '') === squeezed(b)
  let current = ''
  for (const table of tables) {
    current = table.title || current
    if (!is(current, title)) continue
    const [head = [], ...rows] = table.rows
    // a table without a head has its labels on the left
    if (row === '' && !is(head[0], '')) {
      const line = table.rows.find(([name]) => is(name, label))
      if (line) return line[1]
    }
    const column = head.findIndex((cell, i) => i > 0 && is(cell, label))
    const wide = column > 0 ? rows.find(([name]) => is(name, row)) : undefined
    if (wide) return wide[column]
    const part = head.findIndex((cell, i) => i > 0 && is(cell, row))
    const tall = part > 0 ? rows.find(([name]) => is(name, label)) : undefined
    if (tall) return tall[part]
  }
  return undefined
}

type Stored = Record<string, unknown>

/** A value as it is stored, from the text that was printed of it; `was`: what kind of value it is, never its number. */
function stored(
  text: string,
  was: unknown,
  path: string,
  key: { kind: AnyJob['line']['kind']; names: Map<string, string> },
): unknown {
  const field = wordsOf({ kind: key.kind }).typed.fields[path]
  const { choice, ref } = typeof field === 'string' || !field ? { choice: undefined, ref: undefined } : field
  if (ref) return [...key.names].find(([, name]) => squeezed(name) === squeezed(text))?.[0]
  if (choice) {
    const found = Object.entries(choice).find(([, said]) => squeezed(said) === squeezed(text))?.[0]
    return typeof was === 'boolean' ? found === 'true' : typeof was === 'number' ? Number(found) : found
  }
  const number = (printed: string) => {
    const typed = parseNumber(printed)
    return typed.ok ? typed.value : Number.NaN
  }
  if (path.endsWith('.angles')) {
    const degrees = text.split(';').map((one) => number(one.replace('°', '')))
    return (was as Stored[]).map((angle, i) => ({ ...angle, degrees: degrees[i] }))
  }
  if (path.endsWith('.readings.*')) {
    const [value = '', turns = '0'] = text.split(' and ')
    return { value: { text: value, unit: 'mm' }, turns: number(turns.replace(/ whole.*/, '')) }
  }
  if (path.endsWith('.own.*')) return number(text.replace('°', ''))
  if (path.endsWith('.hold') || path.endsWith('.held'))
    return text.split('; ').map((one) => [...key.names].find(([, name]) => name === one)?.[0] ?? '')
  if (path.endsWith('.slope')) return { text: text.split(' ')[0], unit: text.slice(text.indexOf(' ') + 1) }
  if (typeof was === 'number') return number(text)
  if (typeof was === 'string') return text
  return { text, unit: 'mm' }
}

const at = (whole: unknown, where: readonly string[]): unknown =>
  where.reduce<unknown>((part, key) => (part as Stored | undefined)?.[key], whole)

/** What only the file of a revision has: points of a sweep, names of the kit, days. */
const elsewhere = /\.(sweep|kit|at|verified)$/

/** A root of a document with every typed value taken from the printed page. */
function again<T extends object>(
  value: T,
  groups: readonly TypedGroup[],
  tables: readonly Printed[],
  key: { kind: AnyJob['line']['kind']; names: Map<string, string> },
): { value: T; read: number } {
  const made = structuredClone(value)
  let read = 0
  for (const { title, rows } of groups)
    for (const { name, cells } of rows)
      for (const [path, { label, where, text }] of cells) {
        const [plain = ''] = path.split(' ')
        if (elsewhere.test(plain)) continue
        const printed = cellIn(tables, title, name, label)
        expect(printed, `${title}: ${name}, ${label}`).toBeDefined()
        expect(squeezed(printed ?? ''), `${title}: ${name}, ${label}`).toBe(squeezed(text))
        const parent = at(made, where.slice(0, -1)) as Stored
        parent[where.at(-1) ?? ''] = stored(printed ?? '', at(value, where), plain, key)
        read++
      }
  return { value: made, read }
}

/** Everything that comes of a job, apart from ids and texts: its proof and what is to be done. */
const answer = (document: AnyJob) => {
  const kind = kindOf({ kind: document.line.kind })
  const { rounds, proof } = provedOf(document)
  return JSON.parse(
    JSON.stringify({
      proof,
      places: rounds.map(({ places }) => places),
      listed: document.rounds.map((round) => kind.listed(document.line, kind.solve(document.line, round))),
    }),
  )
}

describe.each(kindNames)('the printed record of the kind %s', (name) => {
  it('is enough to work everything out again', async () => {
    const jobs = (await store.db.query.jobs.findMany())
      .filter(({ document }) => document.line.kind === name)
      .slice(0, 4)
    expect(jobs.length).toBeGreaterThan(0)
    let read = 0
    for (const { number, document } of jobs) {
      const { typed } = wordsOf({ kind: document.line.kind })
      const tables = await tablesOf(await sheetPdf(recordOf({ number, document }, { unit: 'mm' }), new Date(0)))
      const under = (heading: string) => [...tables].find(([one]) => one.startsWith(heading))?.[1] ?? []
      const names = new Map<string, string>()
      const named = (part: unknown): void => {
        if (typeof part !== 'object' || part === null) return
        const { id: own, name: called } = part as { id?: string; name?: string }
        if (own && called) names.set(own, called)
        for (const inside of Object.values(part)) named(inside)
      }
      named(document)
      for (const group of typedGroups(typed, 'line', document.line, { line: document.line, title: '' }))
        for (const row of group.rows)
          for (const { where } of row.cells.values()) {
            const part = at(document.line, where.slice(0, where.findLastIndex((key) => /^\d+$/.test(key)) + 1)) as {
              id?: string
            }
            if (row.name && part?.id) names.set(part.id, row.name)
          }
      const key = { kind: document.line.kind, names }
      const line = again(
        document.line,
        typedGroups(typed, 'line', document.line, { line: document.line, title: recordWords.dimensions }),
        under(recordWords.asTyped),
        key,
      )
      const rounds = document.rounds.map((round, i) =>
        again(
          round,
          typedGroups(typed, 'round', round, { line: document.line, title: recordWords.howItWasRead }),
          under(`${recordWords.readings}, round ${i + 1}`),
          key,
        ),
      )
      read += line.read + rounds.reduce((sum, round) => sum + round.read, 0)
      const made = { ...document, line: line.value, rounds: rounds.map(({ value }) => value) } as AnyJob
      expect(made.line).not.toBe(document.line)
      expect(answer(made), `job ${number}`).toEqual(answer(document))
    }
    expect(read).toBeGreaterThan(25)
  })
})
