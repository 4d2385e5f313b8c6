import { type Conflict, merge, type Order, same, sameDocument, valueAt, withValue } from '../../core/merge/merge'
import { newId } from '../app/newId'
import type { Draft, Step } from './draft'
import type { DraftStore } from './draftStore'
import { stepMark } from './oneStep'
import type { Outbox, Sender } from './outbox'

/** An edit on its way: it keeps its id until an answer has come, however often it is sent. */
export interface Sent<T> {
  edit: string
  version: number
  document: T
}

/** A document as the server has it, and the ids of the edits that are in it. */
export interface Stored<T> {
  version: number
  document: T
  edits: string
}

/** What came of sending an edit. */
export type Outcome<T> =
  | { kind: 'saved'; version: number }
  /** The server has another version; `stored.edits` tells whether this edit is in it. */
  | { kind: 'conflict'; stored: Stored<T> }
  /** The server will not have it; trying again does not help. */
  | { kind: 'refused'; message: string }
  /** The server was not reached, or is busy; `why` where it said that it can store nothing. */
  | { kind: 'unreached'; why?: string }

export type Status =
  | { kind: 'saved'; at: Date | undefined }
  | { kind: 'saving' }
  /** `kept`: whether it is kept on this device meanwhile. */
  | { kind: 'unreached'; kept: boolean; why?: string | undefined }
  | { kind: 'refused'; message: string; kept: boolean }
  | { kind: 'clash'; kept: boolean }

export interface Page<T> {
  document: T
  status: Status
  canUndo: boolean
  canRedo: boolean
  clashes: readonly Conflict[]
  /** Counts how often another tablet's changes were taken in. */
  merges: number
}

export interface Options<T> {
  key: string
  /** The page it is open in. */
  page: string
  title: (document: T) => string
  stored: Stored<T>
  send: (sent: Sent<T>) => Promise<Outcome<T>>
  draftStore: DraftStore
  outbox: Outbox
  order?: Order
  /** Quiet after an edit before it is sent, ms. */
  pause?: number
}

/** Steps that can be taken back, and how many of them outlive the page. */
const mostSteps = 200
const stepsKept = 50
/** Typing in one place within this time is one step, ms. */
const oneStep = 1500
/** After the page has been drawn, ms. */
const draftPause = 20
/** What could not be kept is tried again after this, ms. */
const keepAgain = 2000

/**
 * A document under edit: every change is shown at once, kept on the device at once and stored within a second; changes
 * from elsewhere are merged in; undo takes back one's own changes only. Where two changed one thing differently a person
 * is asked, and until then nothing is sent; the question is kept like everything else. Knows nothing of React, of the
 * browser's store or of the network.
 */
export class DocumentSession<T> implements Sender {
  private readonly options: Options<T>
  /** The last version known to be stored. */
  private base: T
  private version: number
  private document: T
  private sent: Sent<T> | undefined
  /** Places where mine and what is stored differ, and nobody has said yet which holds. */
  private open: readonly (readonly string[])[] = []
  private past: Step<T>[] = []
  private future: Step<T>[] = []
  private savedAt: Date | undefined
  private failed = false
  private why: string | undefined
  private refusal: string | undefined
  /** The document itself was made on this device, and the server has none of it yet. */
  private here = false
  /** Whether the last writing down succeeded. */
  private kept = false
  private onItsWay = false
  /** What the server has by now, heard of while something of ours was on its way. */
  private newer: Stored<T> | undefined
  private merges = 0
  private timer: ReturnType<typeof setTimeout> | undefined
  private drafting: ReturnType<typeof setTimeout> | undefined
  private again: ReturnType<typeof setTimeout> | undefined
  private writing: Promise<void> | undefined
  /** What other pages that are gone left of this document, to be taken up one after the other. */
  private orphanedDrafts: Draft<T>[] = []
  private listeners = new Set<() => void>()
  private shown: Page<T>

  constructor(options: Options<T>) {
    this.options = options
    this.base = options.stored.document
    this.version = options.stored.version
    this.document = this.base
    this.shown = this.page()
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  read = (): Page<T> => this.shown

  /** Whether something in it is not stored yet. */
  get unsent(): boolean {
    return this.unsentHere || this.orphanedDrafts.length > 0
  }

  get storedVersion(): number {
    return this.version
  }

  /** Says whether the server has none of it yet: then nothing of it is said to be saved. */
  onlyHere(here: boolean): void {
    this.here = here
    this.notify()
  }

  /** Changes the document. Edits with the same `mark` in quick succession are one step of undo. */
  edit(change: (document: T) => T, own = ''): void {
    const mark = stepMark(own)
    const before = this.document
    const after = change(before)
    if (after === before) return
    const last = this.past.at(-1)
    const now = Date.now()
    if (last && mark && last.mark === mark && now - last.at < oneStep)
      this.past[this.past.length - 1] = { ...last, after, at: now }
    else this.past.push({ before, after, mark, at: now })
    if (this.past.length > mostSteps) this.past.shift()
    this.future = []
    this.put(after)
  }

  /** Takes back the last step; where others went on from it, a person is asked. */
  undo(): void {
    const step = this.past.pop()
    if (!step) return
    this.future.push(step)
    this.turn(step.after, step.before)
  }

  redo(): void {
    const step = this.future.pop()
    if (!step) return
    this.past.push(step)
    this.turn(step.before, step.after)
  }

  private turn(from: T, to: T): void {
    const merged = merge(from, to, this.document, this.options.order)
    this.addConflicts(merged.clashes)
    this.put(merged.document)
  }

  /** Back to what was last stored: what was typed since is given up. */
  dropUnsaved(): void {
    this.open = []
    this.past = []
    this.future = []
    this.sent = undefined
    this.refusal = undefined
    this.document = this.base
    this.draftSoon()
    this.notify()
  }

  /** Takes in what the server has now, if it is newer; while something of ours is on its way, after that. */
  refresh(stored: Stored<T>): void {
    if (stored.version <= this.version) return
    if (this.onItsWay) {
      if (!this.newer || stored.version > this.newer.version) this.newer = stored
      return
    }
    this.mergeRemote(stored)
    this.draftSoon()
    this.notify()
    this.sendSoon(0)
  }

  /** Decides a clash; when none is left the document is stored. */
  resolveConflict(clash: Conflict, keep: 'mine' | 'theirs'): void {
    const name = pathName(clash.path)
    this.open = this.open.filter((path) => pathName(path) !== name)
    const document =
      keep === 'theirs'
        ? withValue(this.document, clash.path, valueAt(this.base, clash.path), this.base)
        : this.document
    this.put(document)
  }

  /**
   * Goes on where a page that is gone left off. Several are taken up one after the other, each when what came before it is
   * stored.
   */
  resumeDrafts(kept: readonly Draft<T>[]): void {
    this.orphanedDrafts.push(...[...kept].sort((a, b) => a.at - b.at))
    this.takeUpNext()
    this.draftSoon()
    this.notify()
    this.sendSoon(0)
  }

  private takeUpNext(): void {
    while (!this.unsentHere) {
      const next = this.orphanedDrafts.shift()
      if (!next) return
      this.goOnFrom(next)
      void this.forget(next)
    }
  }

  private goOnFrom(next: Draft<T>): void {
    const stored = { version: this.version, document: this.base, edits: this.options.stored.edits }
    this.past = [...this.past, ...next.past]
    this.future = [...next.future]
    if (next.unsent) {
      this.base = next.base
      this.document = next.document
      this.version = next.version
      this.sent = next.sent
      this.open = next.open
      if (stored.version !== next.version) this.mergeRemote(stored)
      else this.base = stored.document
      if (sameDocument(this.document, this.base)) this.document = this.base
    }
  }

  /** What another page wrote is this one's now, as soon as this one has written it down itself. */
  private async forget({ key, page }: Draft<T>): Promise<void> {
    if (page === this.options.page) return
    await this.writeDown()
    if (this.kept) await this.options.draftStore.drop(key, page).catch(() => undefined)
  }

  /** Stores at once what waits; resolves when it is stored or known not to be. */
  async flush(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    if (this.drafting !== undefined) void this.writeDown()
    if (!this.wants) return
    this.options.outbox.add(this)
    await this.options.outbox.wake()
  }

  private get wants(): boolean {
    return this.unsentHere && this.open.length === 0
  }

  /** Called by the outbox, which has one request under way at a time. */
  async send(): Promise<'done' | 'later'> {
    if (!this.wants) return 'done'
    this.sent ??= { edit: newId('e'), version: this.version, document: this.document }
    const { sent } = this
    this.onItsWay = true
    // known on the device before it is known on the server: after a crash its answer is recognized
    void this.writeDown()
    let outcome: Outcome<T>
    try {
      outcome = await this.options.send(sent)
    } catch {
      outcome = { kind: 'unreached' }
    }
    this.onItsWay = false
    const after = this.applyOutcome(sent, outcome)
    const { newer } = this
    this.newer = undefined
    if (newer) this.refresh(newer)
    return after
  }

  private applyOutcome(sent: Sent<T>, outcome: Outcome<T>): 'done' | 'later' {
    this.failed = outcome.kind === 'unreached'
    this.why = outcome.kind === 'unreached' ? outcome.why : undefined
    if (outcome.kind === 'unreached') {
      this.notify()
      return 'later'
    }
    // given up meanwhile, or taken up from elsewhere: the answer is to something that is no longer asked
    const current = this.sent === sent
    if (outcome.kind === 'saved') {
      this.here = false
      this.version = outcome.version
      const untouched = this.document === sent.document
      this.base = sent.document
      if (untouched) this.document = this.base
      this.savedAt = new Date()
      if (current) this.sent = undefined
    } else if (outcome.kind === 'conflict') {
      this.mergeRemote(outcome.stored)
    } else {
      this.refusal = outcome.message
      if (current) this.sent = undefined
      this.draftSoon()
      this.notify()
      return 'done'
    }
    this.refusal = undefined
    this.takeUpNext()
    this.draftSoon()
    this.notify()
    if (this.wants) this.sendSoon(this.options.pause ?? 400)
    return 'done'
  }

  /** Something differs from what is stored, or may be stored without our knowing. */
  private get unsentHere(): boolean {
    return this.document !== this.base || this.sent !== undefined
  }

  /** Merges in what the server has; an edit of ours that is in it already is where the merge begins. */
  private mergeRemote({ version, document: theirs, edits }: Stored<T>): void {
    const known = this.sent !== undefined && edits.split(' ').includes(this.sent.edit)
    const from = known && this.sent ? this.sent.document : this.base
    const merged = merge(from, this.document, theirs, this.options.order)
    this.sent = undefined
    this.base = theirs
    this.version = version
    this.merges += 1
    this.document = sameDocument(merged.document, theirs) ? theirs : merged.document
    this.addConflicts(merged.clashes)
    if (this.document === theirs) this.savedAt = new Date()
  }

  private addConflicts(clashes: readonly Conflict[]): void {
    const paths = [...this.open, ...clashes.map(({ path }) => path)]
    // a question about a whole takes in those about its parts
    this.open = paths.filter(
      (path, i) =>
        paths.findIndex((other) => pathName(other) === pathName(path)) === i &&
        !paths.some((other) => other.length < path.length && other.every((key, k) => key === path[k])),
    )
  }

  private put(document: T): void {
    this.document = sameDocument(document, this.base) ? this.base : document
    this.refusal = undefined
    this.settled()
    this.draftSoon()
    this.notify()
    this.sendSoon(this.options.pause ?? 400)
  }

  /** Questions that answered themselves: both sides came to the same. */
  private settled(): void {
    this.open = this.open.filter((path) => !same(valueAt(this.document, path), valueAt(this.base, path)))
  }

  private sendSoon(pause: number): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => {
      this.timer = undefined
      if (this.wants) this.options.outbox.add(this)
    }, pause)
  }

  private draftSoon(): void {
    this.drafting ??= setTimeout(() => void this.writeDown(), draftPause)
  }

  /** Writes down where the work stands, one writing at a time; says whether that succeeded. */
  private async writeDown(): Promise<void> {
    clearTimeout(this.drafting)
    this.drafting = undefined
    while (this.writing) await this.writing
    const written = this.keptNow()
    this.writing = this.options.draftStore
      .keep(written as Draft)
      .then(
        () => true,
        () => false,
      )
      .then((kept) => {
        this.writing = undefined
        // a store that was full may have room again
        clearTimeout(this.again)
        if (!kept && this.unsentHere) this.again = setTimeout(() => void this.writeDown(), keepAgain)
        if (kept === this.kept) return
        this.kept = kept
        this.notify()
      })
    await this.writing
  }

  private keptNow(): Draft<T> {
    const { key, page, title } = this.options
    return {
      key,
      page,
      title: title(this.document),
      at: Date.now(),
      unsent: this.unsentHere,
      version: this.version,
      base: this.base,
      document: this.document,
      sent: this.sent,
      open: this.open,
      past: this.past.slice(-stepsKept),
      future: this.future.slice(-stepsKept),
    }
  }

  private status(): Status {
    const { kept } = this
    if (this.open.length > 0) return { kind: 'clash', kept }
    if (!this.unsentHere && this.here) return { kind: 'unreached', kept: true }
    if (!this.unsentHere) return { kind: 'saved', at: this.savedAt }
    if (this.refusal !== undefined) return { kind: 'refused', message: this.refusal, kept }
    return this.failed || !this.options.outbox.reached ? { kind: 'unreached', kept, why: this.why } : { kind: 'saving' }
  }

  private page(): Page<T> {
    return {
      document: this.document,
      status: this.status(),
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
      clashes: this.open.map((path) => ({
        path,
        mine: valueAt(this.document, path),
        theirs: valueAt(this.base, path),
      })),
      merges: this.merges,
    }
  }

  private notify(): void {
    this.shown = this.page()
    for (const listener of this.listeners) listener()
  }
}

const pathName = (path: readonly string[]) => JSON.stringify(path)
