import { useSyncExternalStore } from 'react'

let open = false
/** What was typed between the asking for the search and its being there. */
let early = ''
const listeners = new Set<() => void>()

/** Opens the search, or puts it away. */
export function showFind(shown: boolean): void {
  open = shown
  if (!shown) early = ''
  for (const listener of listeners) listener()
}

export const isFindShown = (): boolean => open

export const useFindShown = (): boolean =>
  useSyncExternalStore((listener) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }, isFindShown)

/** Takes what is typed before the field of the search has the keyboard. */
let field: ((typed: string) => void) | undefined

/** A key that was typed before the field of the search has the keyboard: it is what is looked for. */
export function typeEarly(key: string): void {
  if (field) field(key)
  else early += key
}

/** Gives the field what was typed before it was there, and what still comes. @returns ends it */
export function hearEarly(type: (typed: string) => void): () => void {
  field = type
  if (early) type(early)
  early = ''
  return () => {
    field = undefined
  }
}
