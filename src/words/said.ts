/** A finding in words: the sentence, what stands behind it, and the working with this job's numbers. */
export interface Message {
  title: string
  detail?: string
  working?: string[]
}
