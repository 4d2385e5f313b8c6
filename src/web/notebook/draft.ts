export interface Step<T> {
  before: T
  after: T
  mark: string
  at: number
}

/** What the device keeps of a document somebody works on: everything that is needed to go on after a crash. */
export interface Draft<T = unknown> {
  /** Of the document: `job:14`. */
  key: string
  /** The page that wrote it; two pages of one browser have a note each. */
  page: string
  /** How a person knows it: shown where something was not sent. */
  title: string
  at: number
  /** Whether something in it is not stored yet. */
  unsent: boolean
  version: number
  base: T
  document: T
  sent: { edit: string; version: number; document: T } | undefined
  open: readonly (readonly string[])[]
  past: readonly Step<T>[]
  future: readonly Step<T>[]
}
