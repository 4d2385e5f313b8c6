import { useSyncExternalStore } from 'react'

/** What this person, on this device, prefers. Kept in the browser. */
export interface Settings {
  unit: 'mm' | 'mil'
  scheme: 'system' | 'light' | 'dark'
  /** Drawn as seen from the far side. */
  flipped: boolean
  /** Squared paper under the drawing, and half readings as dots. */
  squared: boolean
  /** Initials put on new rounds. */
  initials: string
  /** Large keys on the screen in place of the system's keyboard. */
  pad: boolean
  /** What was typed on the pad is said aloud. */
  aloud: boolean
}

const key = 'vane-peg:settings'
const usual: Settings = {
  unit: 'mm',
  scheme: 'system',
  flipped: false,
  squared: false,
  initials: '',
  pad: false,
  aloud: false,
}

function read(): Settings {
  try {
    return { ...usual, ...JSON.parse(localStorage.getItem(key) ?? '{}') }
  } catch {
    return usual
  }
}

let current = read()
const listeners = new Set<() => void>()

export function changeSettings(change: Partial<Settings>): void {
  current = { ...current, ...change }
  localStorage.setItem(key, JSON.stringify(current))
  for (const listener of listeners) listener()
}

export const settings = (): Settings => current

export function useSettings(): Settings {
  return useSyncExternalStore((listener) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }, settings)
}
