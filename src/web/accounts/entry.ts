import { useSyncExternalStore } from 'react'

/** Whether somebody has to sign in first: kept, so that a page begun again shows nothing before. */
const key = 'vane-peg:door'

function read(): boolean {
  try {
    return localStorage.getItem(key) === 'shut'
  } catch {
    return false
  }
}

let shut = read()
const listeners = new Set<() => void>()

function put(next: boolean): void {
  if (shut === next) return
  shut = next
  try {
    if (next) localStorage.setItem(key, 'shut')
    else localStorage.removeItem(key)
  } catch {
    // a browser that keeps nothing asks the server again
  }
  for (const listener of listeners) listener()
}

/** Nobody is signed in any more: the screens give way to the door. */
export const markSignedOut = (): void => put(true)

/** Somebody signed in, or nobody has to. */
export const markSignedIn = (): void => put(false)

export const useShut = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => shut,
  )
