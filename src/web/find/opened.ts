import { useSyncExternalStore } from 'react'

let open = false
const listeners = new Set<() => void>()

/** Opens the search, or puts it away. */
export function showFind(shown: boolean): void {
  open = shown
  for (const listener of listeners) listener()
}

export const useFindShown = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => open,
  )
