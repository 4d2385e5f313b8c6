import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { merge, withValue } from './merge'
import { Notebook, type Outcome } from './notebook'

interface Doc {
  title: string
  cells: { id: string; value: { text: string; unit: string } }[]
}

const cell = (id: string, text: string) => ({ id, value: { text, unit: 'mm' } })
const doc = (title: string, ...texts: string[]): Doc => ({ title, cells: texts.map((text, i) => cell(`c${i}`, text)) })
const set = (id: string, text: string) => (d: Doc) => ({
  ...d,
  cells: d.cells.map((c) => (c.id === id ? cell(id, text) : c)),
})

/** A server with one document, and a drawer that outlives the page. */
function site(first: Doc) {
  const stored = { version: 1, document: first, reached: true, refuses: false }
  const kept = new Map<string, string>()
  const drawer = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  }
  const save = async (version: number, document: Doc): Promise<Outcome<Doc>> => {
    if (!stored.reached) return { kind: 'unreached' }
    if (stored.refuses) return { kind: 'refused', message: 'rounds: no' }
    if (version !== stored.version) return { kind: 'conflict', version: stored.version, document: stored.document }
    stored.version++
    stored.document = document
    return { kind: 'saved', version: stored.version }
  }
  const open = () => new Notebook<Doc>({ key: 'job', version: stored.version, document: stored.document, save, drawer })
  return { stored, kept, open }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

describe('a notebook', () => {
  it('stores an edit within a second and says so', async () => {
    const { stored, open, kept } = site(doc('a', '1'))
    const notebook = open()
    notebook.edit(set('c0', '2'))
    expect(notebook.read().status.kind).toBe('saving')
    await vi.advanceTimersByTimeAsync(50)
    expect(kept.size).toBe(1)
    await vi.advanceTimersByTimeAsync(1000)
    expect(stored.document.cells[0]!.value.text).toBe('2')
    expect(notebook.read().status.kind).toBe('saved')
    expect(kept.size).toBe(0)
  })
  it('brings back after a crash what was never stored', async () => {
    const { stored, open } = site(doc('a', '1', '1'))
    stored.reached = false
    const before = open()
    before.edit(set('c0', '2'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(before.read().status.kind).toBe('unreached')
    stored.reached = true
    stored.document = doc('a', '1', '3')
    stored.version = 2
    const after = open()
    expect(after.read().document).toEqual(doc('a', '2', '3'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(stored.document).toEqual(doc('a', '2', '3'))
  })
  it('takes back typing as one step and others’ edits never', async () => {
    const { stored, open } = site(doc('a', '1', '1'))
    const notebook = open()
    for (const text of ['2', '23', '234']) notebook.edit(set('c0', text), 'c0')
    stored.document = doc('a', '1', '9')
    stored.version = 2
    await vi.advanceTimersByTimeAsync(1000)
    expect(notebook.read().document).toEqual(doc('a', '234', '9'))
    notebook.undo()
    expect(notebook.read().document).toEqual(doc('a', '1', '9'))
    expect(notebook.read().canUndo).toBe(false)
    notebook.redo()
    expect(notebook.read().document).toEqual(doc('a', '234', '9'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(stored.document).toEqual(doc('a', '234', '9'))
  })
  it('settles to saved when everything was taken back before it was sent', async () => {
    const { stored, open } = site(doc('a', '1'))
    const notebook = open()
    notebook.edit(set('c0', '2'))
    notebook.undo()
    await vi.advanceTimersByTimeAsync(1000)
    expect(notebook.read().status.kind).toBe('saved')
    expect(stored.version).toBe(1)
  })
  it('asks where both changed the same cell, and stores what was chosen', async () => {
    for (const keep of ['mine', 'theirs'] as const) {
      const { stored, open } = site(doc('a', '1'))
      const notebook = open()
      notebook.edit(set('c0', '2'))
      stored.document = doc('b', '3')
      stored.version = 5
      await vi.advanceTimersByTimeAsync(1000)
      const { clashes, status } = notebook.read()
      expect(status.kind).toBe('clash')
      expect(clashes.map((clash) => clash.path)).toEqual([['cells', 'c0', 'value']])
      expect(stored.document.cells[0]!.value.text).toBe('3')
      notebook.settle(clashes[0]!, keep)
      await vi.advanceTimersByTimeAsync(1000)
      expect(notebook.read().document).toEqual(doc('b', keep === 'mine' ? '2' : '3'))
      expect(stored.document).toEqual(doc('b', keep === 'mine' ? '2' : '3'))
    }
  })
  it('keeps what the server refuses, and says why', async () => {
    const { stored, open, kept } = site(doc('a', '1'))
    stored.refuses = true
    const notebook = open()
    notebook.edit(set('c0', '2'))
    await vi.advanceTimersByTimeAsync(1000)
    expect(notebook.read().status).toEqual({ kind: 'refused', message: 'rounds: no' })
    expect(kept.size).toBe(1)
  })
})

describe('merging', () => {
  it('takes both sides’ additions and removals by id', () => {
    const base = doc('a', '1', '2')
    const mine = { ...base, cells: [...base.cells, cell('c9', 'mine')] }
    const theirs = { ...base, cells: base.cells.slice(1) }
    expect(merge(base, mine, theirs)).toEqual({
      document: { title: 'a', cells: [cell('c1', '2'), cell('c9', 'mine')] },
      clashes: [],
    })
  })
  it('puts a value where a path says, and takes one away', () => {
    const base = doc('a', '1')
    expect(withValue(base, ['cells', 'c0', 'value'], { text: '7', unit: 'mm' })).toEqual(doc('a', '7'))
    expect(withValue(base, ['cells', 'c0'], undefined)).toEqual({ title: 'a', cells: [] })
  })
})

it('takes a list that only grew for what it is: a sweep stored at its beginning clashes with nothing', () => {
  const sweep = (n: number) => ({
    sweep: { degrees: Array.from({ length: n }, (_, i) => i), values: [Array.from({ length: n }, (_, i) => -i)] },
  })
  expect(merge<object>({}, sweep(9), sweep(4))).toEqual({ document: sweep(9), clashes: [] })
  expect(merge<object>(sweep(2), sweep(4), sweep(9))).toEqual({ document: sweep(9), clashes: [] })
  const other = { sweep: { degrees: [5, 6], values: [[1, 2]] } }
  expect(merge<object>({}, sweep(9), other).clashes.map(({ path }) => path.join('.'))).toEqual([
    'sweep.degrees',
    'sweep.values',
  ])
})
