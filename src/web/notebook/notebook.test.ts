import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { merge, valueAt, withValue } from '../../core/merge/merge'
import { runs, tries } from '../../testing/anything'
import type { Draft } from './draft'
import type { DraftStore } from './draftStore'
import { DocumentSession, type Outcome, type Sent } from './notebook'
import { Outbox } from './outbox'
import { jobShelf } from './shelves'

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
const textOf = (d: Doc, id: string) => d.cells.find((c) => c.id === id)?.value.text

/** A server with one document, the store of one browser, and pages that come and go. */
function site(first: Doc) {
  const stored = { version: 1, document: first, edits: '', reached: true, refuses: false, losesAnswers: false }
  /** Documents in the order they were stored, with the edit that brought them. */
  const history: { edit: string; document: Doc }[] = []
  const kept = new Map<string, Draft>()
  const store = { full: false, forbidden: false }
  /** Pages that are gone: nothing of theirs reaches anything any more, but for requests that are on their way. */
  const dead = new Set<string>()
  const draftStore: DraftStore = {
    keep: async (one) => {
      if (dead.has(one.page)) return
      if (store.full || store.forbidden) throw new Error('QuotaExceededError')
      // what is kept is a copy, as in a browser
      kept.set(`${one.key} ${one.page}`, structuredClone(one))
    },
    of: async (key) => {
      if (store.forbidden) throw new Error('SecurityError')
      return [...kept.values()].filter((one) => one.key === key)
    },
    unsent: async () => [...kept.values()].filter(({ unsent }) => unsent),
    drop: async (key, page) => void kept.delete(`${key} ${page}`),
  }
  /** Requests of each page that are under way, and the most there were at once. */
  const underWay = new Map<string, number>()
  const most = { underWay: 0 }
  /** What the server does with a request; the answer may be lost on the way. */
  const take = ({ version, document, edit }: Sent<Doc>): Outcome<Doc> => {
    if (stored.refuses) return { kind: 'refused', message: 'rounds: no' }
    const known = stored.edits.split(' ').includes(edit)
    if (known && stored.version === version + 1) return { kind: 'saved', version: stored.version }
    if (known || version !== stored.version)
      return { kind: 'conflict', stored: { version: stored.version, document: stored.document, edits: stored.edits } }
    put(document, edit)
    return { kind: 'saved', version: stored.version }
  }
  const put = (document: Doc, edit = `other-${stored.version}`) => {
    stored.version++
    stored.document = structuredClone(document)
    stored.edits += ` ${edit}`
    history.push({ edit, document: stored.document })
  }
  const send = async (page: string, sent: Sent<Doc>, delay = 0): Promise<Outcome<Doc>> => {
    if (dead.has(page)) return { kind: 'unreached' }
    const count = (by: number) => underWay.set(page, (underWay.get(page) ?? 0) + by).get(page) ?? 0
    most.underWay = Math.max(most.underWay, count(1))
    try {
      // half of the time on the way there, half on the way back
      if (delay) await new Promise((go) => setTimeout(go, delay / 2))
      if (!stored.reached) return { kind: 'unreached' }
      const answer = take(structuredClone(sent))
      if (delay) await new Promise((go) => setTimeout(go, delay / 2))
      return stored.losesAnswers ? { kind: 'unreached' } : answer
    } finally {
      count(-1)
    }
  }
  const open = (page = 'one', delay: () => number = () => 0) =>
    new DocumentSession<Doc>({
      key: 'job:1',
      page,
      title: ({ title }) => title,
      stored: { version: stored.version, document: structuredClone(stored.document), edits: stored.edits },
      send: (sent) => send(page, sent, delay()),
      draftStore,
      outbox: new Outbox(),
    })
  /** The page again after a crash: what it and other pages that are gone left is taken up. */
  const reopen = async (page: string, gone: readonly string[]) => {
    for (const one of gone) dead.add(one)
    const book = open(page)
    const left = store.forbidden ? [] : (await draftStore.of('job:1')).filter((one) => gone.includes(one.page))
    if (left.length) book.resumeDrafts(structuredClone(left) as Draft<Doc>[])
    return book
  }
  return { stored, history, kept, store, draftStore, open, reopen, put, most }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())
const wait = (ms = 1000) => vi.advanceTimersByTimeAsync(ms)

describe('a notebook', () => {
  it('stores an edit within a second and says so', async () => {
    const { stored, open, kept } = site(doc('a', '1'))
    const notebook = open()
    notebook.edit(set('c0', '2'))
    expect(notebook.read().status.kind).toBe('saving')
    await wait(50)
    expect([...kept.values()][0]).toMatchObject({ unsent: true, document: doc('a', '2') })
    await wait()
    expect(stored.document.cells[0]!.value.text).toBe('2')
    expect(notebook.read().status.kind).toBe('saved')
    expect([...kept.values()][0]).toMatchObject({ unsent: false })
  })
  it('brings back after a crash what was never stored, and what can be taken back', async () => {
    const { stored, open, reopen, put } = site(doc('a', '1', '1'))
    stored.reached = false
    const before = open()
    before.edit((d) => ({ ...d, cells: d.cells.slice(0, 1) }))
    before.edit(set('c0', '2'))
    await wait()
    expect(before.read().status).toEqual({ kind: 'unreached', kept: true })
    stored.reached = true
    put({ ...stored.document, title: 'theirs' })
    const after = await reopen('two', ['one'])
    expect(after.read().document).toEqual(doc('theirs', '2'))
    await wait()
    expect(stored.document).toEqual(doc('theirs', '2'))
    after.undo()
    after.undo()
    expect(after.read().document).toEqual(doc('theirs', '1', '1'))
    expect(after.read().canUndo).toBe(false)
    await wait()
    expect(stored.document).toEqual(doc('theirs', '1', '1'))
  })
  it('is the same page after a reload: steps back are there, a question that was open is open', async () => {
    const { stored, open, reopen, put, kept } = site(doc('a', '1', '1'))
    const before = open()
    before.edit((d) => ({ ...d, cells: d.cells.slice(1) }))
    await wait()
    const reloaded = await reopen('two', ['one'])
    await wait()
    expect(kept.has('job:1 one')).toBe(false)
    reloaded.undo()
    expect(reloaded.read().document).toEqual(doc('a', '1', '1'))
    await wait()
    reloaded.edit(set('c0', '2'))
    put(set('c0', '3')(stored.document))
    await wait()
    expect(reloaded.read().status).toEqual({ kind: 'clash', kept: true })
    const again = await reopen('three', ['two'])
    expect(again.read().clashes.map(({ mine, theirs }) => [mine, theirs])).toEqual([
      [
        { text: '2', unit: 'mm' },
        { text: '3', unit: 'mm' },
      ],
    ])
    await wait(60_000)
    expect(textOf(stored.document, 'c0')).toBe('3')
    again.resolveConflict(again.read().clashes[0]!, 'mine')
    await wait()
    expect(textOf(stored.document, 'c0')).toBe('2')
  })
  it('takes back typing as one step and others’ edits never', async () => {
    const { stored, open, put } = site(doc('a', '1', '1'))
    const notebook = open()
    for (const text of ['2', '23', '234']) notebook.edit(set('c0', text), 'c0')
    put(doc('a', '1', '9'))
    await wait()
    expect(notebook.read().document).toEqual(doc('a', '234', '9'))
    notebook.undo()
    expect(notebook.read().document).toEqual(doc('a', '1', '9'))
    expect(notebook.read().canUndo).toBe(false)
    notebook.redo()
    expect(notebook.read().document).toEqual(doc('a', '234', '9'))
    await wait()
    expect(stored.document).toEqual(doc('a', '234', '9'))
  })
  it('asks before it takes back what somebody else went on from', async () => {
    for (const keep of ['mine', 'theirs'] as const) {
      const { stored, open, put } = site(doc('a', '1'))
      const notebook = open()
      notebook.edit(set('c0', '2'))
      await wait()
      put(doc('a', '7'))
      notebook.refresh({ ...stored })
      expect(notebook.read().document).toEqual(doc('a', '7'))
      notebook.undo()
      await wait()
      expect(stored.document).toEqual(doc('a', '7'))
      const [clash] = notebook.read().clashes
      expect(clash).toMatchObject({ mine: { text: '1' }, theirs: { text: '7' } })
      notebook.resolveConflict(clash!, keep)
      await wait()
      expect(stored.document).toEqual(doc('a', keep === 'mine' ? '1' : '7'))
    }
  })
  it('settles to saved when everything was taken back before it was sent', async () => {
    const { stored, open } = site(doc('a', '1'))
    const notebook = open()
    notebook.edit(set('c0', '2'))
    notebook.undo()
    await wait()
    expect(notebook.read().status.kind).toBe('saved')
    expect(stored.version).toBe(1)
  })
  it('asks where both changed the same cell, and stores what was chosen', async () => {
    for (const keep of ['mine', 'theirs'] as const) {
      const { stored, open, put } = site(doc('a', '1'))
      const notebook = open()
      notebook.edit(set('c0', '2'))
      put(doc('b', '3'))
      await wait()
      const { clashes, status } = notebook.read()
      expect(status.kind).toBe('clash')
      expect(clashes.map((clash) => clash.path)).toEqual([['cells', 'c0', 'value']])
      // looked at again, and changed again over there, while the question is open: it stays open
      notebook.refresh({ ...stored })
      put(doc('c', '3'))
      notebook.refresh({ ...stored })
      await notebook.flush()
      await wait()
      expect(notebook.read().status.kind).toBe('clash')
      expect(stored.document.cells[0]!.value.text).toBe('3')
      notebook.resolveConflict(notebook.read().clashes[0]!, keep)
      await wait()
      expect(notebook.read().document).toEqual(doc('c', keep === 'mine' ? '2' : '3'))
      expect(stored.document).toEqual(doc('c', keep === 'mine' ? '2' : '3'))
    }
  })
  it('asks nothing where both came to the same', async () => {
    const { stored, open, put } = site(doc('a', '1'))
    const notebook = open()
    notebook.edit(set('c0', '2'))
    put(doc('a', '3'))
    await wait()
    notebook.edit(set('c0', '3'))
    await wait()
    expect(notebook.read()).toMatchObject({ clashes: [], status: { kind: 'saved' } })
    expect(stored.document).toEqual(doc('a', '3'))
  })
  it('knows its own edit again when the answer was lost: nobody is asked to choose between two things of their own', async () => {
    const { stored, open, put, history } = site(doc('a', '1', '1'))
    stored.losesAnswers = true
    const notebook = open()
    notebook.edit(set('c0', '2'))
    await wait()
    expect(notebook.read().status).toEqual({ kind: 'unreached', kept: true })
    notebook.edit(set('c0', '23'))
    // somebody went on from what was stored without our knowing
    put(set('c1', '9')(stored.document))
    stored.losesAnswers = false
    await wait(40_000)
    expect(notebook.read()).toMatchObject({ clashes: [], status: { kind: 'saved' } })
    expect(stored.document).toEqual(doc('a', '23', '9'))
    expect(history.map(({ document }) => textOf(document, 'c0'))).toEqual(['2', '2', '23'])
  })
  it('knows it again after a crash as well', async () => {
    const { stored, open, reopen } = site(doc('a', '1'))
    stored.losesAnswers = true
    const before = open()
    before.edit(set('c0', '2'))
    await wait(600)
    before.edit(set('c0', '23'))
    await wait(100)
    stored.losesAnswers = false
    expect(textOf(stored.document, 'c0')).toBe('2')
    const after = await reopen('two', ['one'])
    expect(after.read()).toMatchObject({ clashes: [], document: doc('a', '23') })
    await wait()
    expect(stored.document).toEqual(doc('a', '23'))
  })
  it('keeps what the server refuses, says why, and tries again when it is changed', async () => {
    const { stored, open, kept } = site(doc('a', '1'))
    stored.refuses = true
    const notebook = open()
    notebook.edit(set('c0', '2'))
    await wait()
    expect(notebook.read().status).toEqual({ kind: 'refused', message: 'rounds: no', kept: true })
    expect([...kept.values()][0]).toMatchObject({ unsent: true })
    stored.refuses = false
    notebook.edit(set('c0', '4'))
    await wait()
    expect(stored.document).toEqual(doc('a', '4'))
  })
  it('never says that it keeps what a full or forbidden store did not take', async () => {
    for (const fault of ['full', 'forbidden'] as const) {
      const { stored, store, reopen } = site(doc('a', '1'))
      store[fault] = true
      stored.reached = false
      const notebook = await reopen('one', [])
      notebook.edit(set('c0', '2'))
      await wait()
      expect(notebook.read().status).toEqual({ kind: 'unreached', kept: false })
      store[fault] = false
      notebook.edit(set('c0', '3'))
      await wait(100)
      expect(notebook.read().status).toEqual({ kind: 'unreached', kept: true })
      stored.reached = true
      await wait(40_000)
      expect(stored.document).toEqual(doc('a', '3'))
    }
  })
  it('takes up what two pages left, one after the other, and asks where they differ', async () => {
    const { stored, open, reopen, kept } = site(doc('a', '1', '1'))
    stored.reached = false
    const [one, two] = [open('one'), open('two')]
    one.edit(set('c0', '2'))
    await wait(100)
    two.edit(set('c0', '3'))
    two.edit(set('c1', '4'))
    await wait(100)
    expect(kept.size).toBe(2)
    stored.reached = true
    const after = await reopen('three', ['one', 'two'])
    await wait(2000)
    expect(stored.document).toEqual(doc('a', '2', '1'))
    expect(after.read().clashes.map(({ mine, theirs }) => [mine, theirs])).toMatchObject([
      [{ text: '3' }, { text: '2' }],
    ])
    after.resolveConflict(after.read().clashes[0]!, 'mine')
    await wait()
    expect(stored.document).toEqual(doc('a', '3', '4'))
    expect([...kept.keys()]).toEqual(['job:1 three'])
  })
  it('takes in what it heard of while something of its own was on its way', async () => {
    const { stored, open, put } = site(doc('a', '1', '1'))
    const notebook = open('one', () => 500)
    notebook.edit(set('c0', '2'))
    // ours is stored, its answer is still on the way, and somebody goes on meanwhile
    await wait(700)
    expect(textOf(stored.document, 'c0')).toBe('2')
    put({ ...stored.document, title: 'theirs' })
    notebook.refresh({ ...stored })
    expect(notebook.read().document.title).toBe('a')
    await wait(3000)
    expect(notebook.read().document).toEqual(doc('theirs', '2', '1'))
    expect(stored.document).toEqual(doc('theirs', '2', '1'))
  })
  it('is not fooled by what comes late: an older version never replaces a newer one', async () => {
    const { stored, open } = site(doc('a', '1'))
    const old = { ...stored, document: doc('old', '0') }
    const notebook = open()
    notebook.edit(set('c0', '2'))
    await wait()
    notebook.refresh(old)
    expect(notebook.read().document).toEqual(doc('a', '2'))
  })
})

type Act =
  | { act: 'type'; page: number; cell: number }
  | { act: 'undo' | 'refresh' | 'crash'; page: number }
  | { act: 'net' | 'answers' | 'full' }
  | { act: 'wait'; ms: number }

const page = fc.nat(1)
const act: fc.Arbitrary<Act> = fc.oneof(
  { weight: 8, arbitrary: fc.record({ act: fc.constant('type' as const), page, cell: fc.nat(3) }) },
  { weight: 4, arbitrary: fc.record({ act: fc.constant('wait' as const), ms: fc.nat(3000) }) },
  {
    weight: 3,
    arbitrary: fc.record({ act: fc.constantFrom('undo' as const, 'refresh' as const, 'crash' as const), page }),
  },
  { weight: 2, arbitrary: fc.record({ act: fc.constantFrom('net' as const, 'answers' as const, 'full' as const) }) },
)

describe('two windows on one document, whatever happens to them', () => {
  it(
    'lose no value, ask nobody twice, never say what is not so',
    async () => {
      await fc.assert(
        fc.asyncProperty(
          fc.array(act, { minLength: 5, maxLength: 60 }),
          fc.array(fc.nat(1800), { minLength: 12, maxLength: 12 }),
          async (acts, delays) => {
            const first = doc('t', '', '', '', '')
            const at = site(first)
            const { stored, store, kept } = at
            let sends = 0
            const nextDelay = () => delays[sends++ % delays.length] ?? 0
            const names = ['p0', 'q0']
            const books = names.map((name) => at.open(name, nextDelay))
            let typed = 0
            // each cell's texts in the order they were typed, and those that were given up by a person's act
            const gone = new Set<string>()
            const live = new Map<string, string>()
            const authors = new Map<string, number>()
            const tookBack = acts.some((one) => one.act === 'undo')
            /** What each window says has to be so. */
            const honest = () => {
              for (const [i, book] of books.entries()) {
                const { status, document } = book.read()
                if (status.kind === 'saved')
                  expect([first, ...at.history.map((one) => one.document)]).toContainEqual(document)
                // nobody is asked to choose between two things of their own
                for (const { mine, theirs } of tookBack ? [] : book.read().clashes) {
                  const author = (value: unknown) => authors.get((value as { text?: string } | undefined)?.text ?? '')
                  if (author(mine) !== undefined) expect(author(mine)).not.toBe(author(theirs))
                }
                if ('kept' in status && status.kept) expect(kept.has(`job:1 ${names[i]}`)).toBe(true)
              }
              expect(at.most.underWay).toBeLessThanOrEqual(1)
            }
            for (const one of acts) {
              if (one.act === 'type') {
                const text = `${++typed}`
                const id = `c${one.cell}`
                const mine = textOf(books[one.page]!.read().document, id)
                if (mine) gone.add(mine)
                books[one.page]!.edit(set(id, text))
                live.set(text, id)
                authors.set(text, one.page)
              } else if (one.act === 'undo') {
                const book = books[one.page]!
                const before = book.read().document
                book.undo()
                const after = book.read().document
                for (const { id } of before.cells)
                  if (textOf(before, id) !== textOf(after, id)) gone.add(textOf(before, id) ?? '')
              } else if (one.act === 'refresh')
                books[one.page]!.refresh({
                  version: stored.version,
                  document: structuredClone(stored.document),
                  edits: stored.edits,
                })
              else if (one.act === 'crash') {
                // what was written down is what is left; the window is opened again
                await wait(60)
                const { status, document } = books[one.page]!.read()
                const there =
                  JSON.stringify(kept.get(`job:1 ${names[one.page]}`)?.document) === JSON.stringify(document)
                // what was never kept, and never said to be, can be lost
                if (status.kind !== 'saved' && !there) continue
                const before = names[one.page]!
                names[one.page] = `${before.slice(0, 1)}${Number(before.slice(1)) + 1}`
                books[one.page] = await at.reopen(names[one.page]!, [before])
              } else if (one.act === 'net') stored.reached = !stored.reached
              else if (one.act === 'answers') stored.losesAnswers = !stored.losesAnswers
              else if (one.act === 'full') store.full = !store.full
              else if (one.act === 'wait') await wait(one.ms)
              honest()
            }
            // in the end everything is reached again; every question is answered, mine first
            Object.assign(stored, { reached: true, losesAnswers: false })
            store.full = false
            for (let i = 0; i < 40; i++) {
              await wait(8000)
              for (const book of books) {
                const [clash] = book.read().clashes
                if (clash) {
                  const lost = (clash.theirs as { text?: string } | undefined)?.text
                  if (lost) gone.add(lost)
                  book.resolveConflict(clash, 'mine')
                }
                book.refresh({
                  version: stored.version,
                  document: structuredClone(stored.document),
                  edits: stored.edits,
                })
              }
            }
            honest()
            expect(books.map((book) => book.read().status.kind)).toEqual(['saved', 'saved'])
            expect(books[0]!.read().document).toEqual(books[1]!.read().document)
            expect(books[0]!.read().document).toEqual(stored.document)
            // every text that nobody gave up is there
            for (const [text, id] of live) if (!gone.has(text)) expect(textOf(stored.document, id)).toBe(text)
          },
        ),
        { ...tries(150, 1000), endOnFailure: true },
      )
    },
    runs(600_000, 3_600_000),
  )
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
  it('keeps the place of what was put in between, on either side', () => {
    const base = doc('a', '1', '2', '3')
    const [one, two, three] = base.cells
    const [x, y] = [cell('x', '9'), cell('y', '8')]
    const mine = { ...base, cells: [one!, x, two!, three!] }
    const theirs = { ...base, cells: [y, one!, two!, three!] }
    const ids = (d: Doc) => d.cells.map(({ id }) => id).join(' ')
    expect(ids(merge(base, mine, theirs).document)).toBe('y c0 x c1 c2')
    expect(ids(merge(base, theirs, mine).document)).toBe('y c0 x c1 c2')
    // one put the list in another order, the other added to it
    const turned = { ...base, cells: [three!, two!, one!] }
    expect(ids(merge(base, turned, mine).document)).toBe('c2 c1 c0 x')
    expect(ids(merge(base, mine, turned).document)).toBe('c2 c1 c0 x')
  })
  it('puts what both added into the order the list means, and both sides come to the same', () => {
    const set = (...degrees: number[]) => ({ angles: degrees.map((at) => ({ id: `a${at}`, degrees: at })) })
    const { order } = jobShelf
    const base = set(0, 90, 180)
    for (const [mine, theirs] of [
      [set(0, 45, 90, 180), set(0, 30, 90, 135, 180)],
      [set(0, 180), set(0, 60, 90, 180, 270)],
    ] as const) {
      const here = merge(base, mine, theirs, order).document
      expect(merge(base, theirs, mine, order).document).toEqual(here)
      expect(here.angles.map(({ degrees }) => degrees)).toEqual(
        here.angles.map(({ degrees }) => degrees).sort((a, b) => a - b),
      )
    }
  })
  it('brings back what was taken away to where it stood', () => {
    const base = doc('a', '1', '2', '3')
    const without = { ...base, cells: [base.cells[0]!, base.cells[2]!] }
    expect(withValue(without, ['cells', 'c1'], base.cells[1], base)).toEqual(base)
    expect(valueAt(without, ['cells', 'c1'])).toBeUndefined()
    expect(valueAt(base, ['cells', 'c1', 'value', 'text'])).toBe('2')
    expect(valueAt(base, ['toString'])).toBeUndefined()
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

it('asks about a list that was cut on one side and grew on the other', () => {
  const sweep = (...degrees: number[]) => ({ degrees })
  const { clashes } = merge<object>(sweep(1, 2, 3, 4, 5, 6), sweep(1, 2, 3, 4, 5, 6, 7, 8, 9), sweep(1, 2, 3, 4))
  expect(clashes.map(({ path }) => path)).toEqual([['degrees']])
})

describe('the outbox', () => {
  it('has one request under way at a time, and tries again with growing pauses', async () => {
    const outbox = new Outbox()
    let underWay = 0
    let most = 0
    let reached = false
    const tried: number[] = []
    const sender = (n: number) => ({
      send: async () => {
        tried.push(n)
        most = Math.max(most, ++underWay)
        await new Promise((go) => setTimeout(go, 10))
        underWay--
        return reached ? ('done' as const) : ('later' as const)
      },
    })
    for (const n of [1, 2, 3]) outbox.add(sender(n))
    await wait(60_000)
    // at once, and after 1, 3, 7, 15 and 31 seconds
    expect(tried.filter((n) => n === 1)).toHaveLength(6)
    expect([most, outbox.reached]).toEqual([1, false])
    reached = true
    const before = tried.length
    await Promise.all([outbox.wake(), wait(100)])
    expect([tried.slice(before), outbox.reached]).toEqual([[1, 2, 3], true])
    await wait(120_000)
    expect(tried).toHaveLength(before + 3)
  })
})
