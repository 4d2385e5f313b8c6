/** Whether the server answered when it was last asked; undefined before it was asked at all. */
let reached: boolean | undefined
const listeners = new Set<() => void>()

/** The server was not reached, or cannot answer now: trying again later may help. */
export class Unreached extends Error {
  override name = 'Unreached'
}

export const isUnreached = (error: unknown): error is Unreached => error instanceof Unreached

/** Says that the server answered, or that it did not. */
export function heard(answered: boolean): void {
  if (reached === answered) return
  reached = answered
  for (const listener of listeners) listener()
}

export const isReached = (): boolean | undefined => reached

export function onReach(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
