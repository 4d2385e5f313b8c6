/** A finding in words: the sentence, what stands behind it, and the working with this job's numbers. */
export interface Message {
  title: string
  detail?: string
  /** Safety: stands where the act stands and is never folded away. */
  caution?: string
  working?: string[]
}
