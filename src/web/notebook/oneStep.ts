let now: string | undefined
let last = 0

/** Does something of many edits that a person takes back as one. */
export function inOneStep(work: () => void): void {
  now = `one step ${++last}`
  try {
    work()
  } finally {
    now = undefined
  }
}

/** The mark of an edit: its own, unless it is part of something larger. */
export const stepMark = (own: string): string => now ?? own
