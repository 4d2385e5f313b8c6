import { type Clash, merge, withValue } from './merge'

/** What came of storing an edit. */
export type Outcome<T> =
  | { kind: 'saved'; version: number }
  /** Somebody else stored another version meanwhile. */
  | { kind: 'conflict'; version: number; document: T }
  /** The server will not have it; trying again does not help. */
  | { kind: 'refused'; message: string }
  /** The server was not reached. */
  | { kind: 'unreached' }

export type Status =
  | { kind: 'saved'; at: Date | undefined }
  | { kind: 'saving' }
  | { kind: 'unreached' }
  | { kind: 'refused'; message: string }
  | { kind: 'clash' }

export interface Page<T> {
  document: T
  status: Status
  canUndo: boolean
  canRedo: boolean
  clashes: readonly Clash[]
  /** Counts how often another tablet's changes were taken in. */
  merges: number
}

/** Where unsaved edits survive a reload; `localStorage` in the browser. */
export type Drawer = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>

interface Options<T> {
  key: string
  version: number
  document: T
  save(version: number, document: T): Promise<Outcome<T>>
  drawer: Drawer
  /** ms of quiet before an edit is stored. */
  pause?: number
}

interface Step<T> {
  before: T
  after: T
  mark: string
  at: number
}

/**
 * A document under edit: every change is shown at once, kept in the drawer at once and stored within a second; changes
 * from elsewhere are merged in; undo takes back one's own changes only. Knows nothing of React or of the network.
 */
export class Notebook<T> {
  private readonly options: Required<Options<T>>
  /** The last version known to be stored. */
  private base: T
  private version: number
  private document: T
  private past: Step<T>[] = []
  private future: Step<T>[] = []
  private status: Status = { kind: 'saved', at: undefined }
  private clashes: Clash[] = []
  private merges = 0
  private timer: ReturnType<typeof setTimeout> | undefined
  private drafting: ReturnType<typeof setTimeout> | undefined
  private inFlight: Promise<void> | undefined
  private listeners = new Set<() => void>()
  private shown: Page<T>

  constructor(options: Options<T>) {
    this.options = { pause: 400, ...options }
    this.base = options.document
    this.version = options.version
    this.document = options.document
    this.shown = this.page()
    this.takeUpDraft()
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  read = (): Page<T> => this.shown

  /** Changes the document. Edits with the same `mark` in quick succession are one step of undo. */
  edit(change: (document: T) => T, mark = ''): void {
    const before = this.document
    const after = change(before)
    if (after === before) return
    const last = this.past.at(-1)
    const now = Date.now()
    if (last && mark && last.mark === mark && now - last.at < 1500)
      this.past[this.past.length - 1] = { ...last, after, at: now }
    else this.past.push({ before, after, mark, at: now })
    if (this.past.length > 200) this.past.shift()
    this.future = []
    this.put(after)
  }

  undo(): void {
    const step = this.past.pop()
    if (!step) return
    this.future.push(step)
    this.put(merge(step.after, step.before, this.document).document)
  }

  redo(): void {
    const step = this.future.pop()
    if (!step) return
    this.past.push(step)
    this.put(merge(step.before, step.after, this.document).document)
  }

  /** Back to what was last stored: what was typed since is given up. */
  dropUnsaved(): void {
    this.clashes = []
    this.past = []
    this.future = []
    this.document = this.base
    this.status = { kind: 'saved', at: undefined }
    this.keepDraft()
    this.tell()
  }

  /** Takes in what the server has now, if it is newer and nothing of ours is on its way. */
  refresh(version: number, document: T): void {
    if (version <= this.version || this.inFlight) return
    this.takeIn(version, document)
  }

  /** Decides a clash; when none is left the document is stored. */
  settle(clash: Clash, keep: 'mine' | 'theirs'): void {
    this.clashes = this.clashes.filter((other) => other !== clash)
    if (keep === 'theirs') this.document = withValue(this.document, clash.path, clash.theirs)
    if (this.clashes.length === 0) this.put(this.document)
    else this.tell()
  }

  /** Stores at once what waits; resolves when it is stored or known not to be. */
  async flush(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    if (this.drafting !== undefined) this.keepDraft()
    if (this.inFlight) await this.inFlight
    if (this.clashes.length > 0) return
    if (this.document === this.base) {
      // taken back to what is stored: nothing to send
      if (this.status.kind === 'saving') this.status = { kind: 'saved', at: new Date() }
      this.tell()
      return
    }
    this.inFlight = this.store().finally(() => {
      this.inFlight = undefined
    })
    await this.inFlight
  }

  private async store(): Promise<void> {
    const sent = this.document
    this.status = { kind: 'saving' }
    this.tell()
    const outcome = await this.options.save(this.version, sent)
    if (outcome.kind === 'saved') {
      this.version = outcome.version
      this.base = sent
      this.status = { kind: 'saved', at: new Date() }
      this.keepDraft()
      if (this.document !== sent) this.later(this.options.pause)
      this.tell()
    } else if (outcome.kind === 'conflict') {
      this.takeIn(outcome.version, outcome.document)
    } else {
      this.status = outcome
      if (outcome.kind === 'unreached') this.later(3000)
      this.tell()
    }
  }

  private takeIn(version: number, theirs: T): void {
    const merged = merge(this.base, this.document, theirs)
    this.base = theirs
    this.version = version
    this.merges += 1
    this.clashes = merged.clashes
    const changed = JSON.stringify(merged.document) !== JSON.stringify(theirs)
    this.document = changed ? merged.document : theirs
    if (this.clashes.length > 0) this.status = { kind: 'clash' }
    else if (changed) {
      this.status = { kind: 'saving' }
      this.later(0)
    } else this.status = { kind: 'saved', at: new Date() }
    this.keepDraft()
    this.tell()
  }

  private put(document: T): void {
    this.document = document
    this.status = this.clashes.length ? { kind: 'clash' } : { kind: 'saving' }
    this.draftSoon()
    this.later(this.options.pause)
    this.tell()
  }

  private later(pause: number): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(() => void this.flush(), pause)
  }

  /** After the page has been drawn: writing a drawer blocks. */
  private draftSoon(): void {
    this.drafting ??= setTimeout(() => this.keepDraft(), 20)
  }

  private keepDraft(): void {
    clearTimeout(this.drafting)
    this.drafting = undefined
    const { drawer, key } = this.options
    try {
      if (this.document === this.base) drawer.removeItem(key)
      else drawer.setItem(key, JSON.stringify({ version: this.version, base: this.base, document: this.document }))
    } catch {
      /* a full or forbidden drawer: the server still gets every edit */
    }
  }

  /** Edits that were typed before a crash or a reload and never stored. */
  private takeUpDraft(): void {
    const kept = this.options.drawer.getItem(this.options.key)
    if (!kept) return
    let draft: { base: T; document: T }
    try {
      draft = JSON.parse(kept)
    } catch {
      return
    }
    const theirs = this.base
    this.base = draft.base
    this.document = draft.document
    this.takeIn(this.version, theirs)
    this.merges = 0
  }

  private page(): Page<T> {
    return {
      document: this.document,
      status: this.status,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
      clashes: this.clashes,
      merges: this.merges,
    }
  }

  private tell(): void {
    this.shown = this.page()
    for (const listener of this.listeners) listener()
  }
}
