import { useLayoutEffect, useMemo, useSyncExternalStore } from 'react'
import { unitOfLine, type WorkUnit } from '../../core/quantity/unitOfLine'

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

function read(): Partial<Settings> {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '{}')
  } catch {
    return {}
  }
}

/** What was chosen on this device; what nobody chose is the site's, or the usual. */
let chosen = read()
let siteUnit: WorkUnit | undefined
/** The line that is open: what it was measured in holds, not the device's own choice. */
let open: { line: string; unit: WorkUnit | undefined } | undefined
let current = resolved()
const listeners = new Set<() => void>()

/** A line may be looked at in the other unit while this window is open; that says nothing of other lines. */
const lookedAt = (line: string) => `vane-peg:unit:${line}`

function resolved(): Settings {
  const unit = (open && (unitOf(open.line) ?? open.unit)) ?? chosen.unit ?? siteUnit ?? usual.unit
  return { ...usual, ...chosen, unit }
}

/** Where the browser keeps nothing it holds as long as the page. */
const here = new Map<string, WorkUnit>()

function unitOf(line: string): WorkUnit | undefined {
  const own = here.get(line)
  if (own) return own
  try {
    const kept = sessionStorage.getItem(lookedAt(line))
    return kept === 'mm' || kept === 'mil' ? kept : undefined
  } catch {
    return undefined
  }
}

function lookAt(line: string, unit: WorkUnit): void {
  here.set(line, unit)
  try {
    sessionStorage.setItem(lookedAt(line), unit)
  } catch {
    // a store that is full or forbidden: until the page is left
  }
}

function tell(): void {
  const now = resolved()
  if ((Object.keys(now) as (keyof Settings)[]).every((name) => now[name] === current[name])) return
  current = now
  for (const listener of listeners) listener()
}

export function changeSettings(change: Partial<Settings>): void {
  const { unit, ...others } = change
  if (unit && open) lookAt(open.line, unit)
  chosen = { ...chosen, ...others, ...(unit && !open ? { unit } : {}) }
  localStorage.setItem(key, JSON.stringify(chosen))
  tell()
}

/** What the site works in, where nobody chose otherwise on this device. */
export function useSiteUnit(unit: WorkUnit | undefined): void {
  useLayoutEffect(() => {
    siteUnit = unit
    tell()
  }, [unit])
}

export const settings = (): Settings => current

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => {
    listeners.delete(listener)
  }
}

export function useSettings(): Settings {
  return useSyncExternalStore(subscribe, settings)
}

/** The settings for a line that is open: its unit is what the line was measured in, on every device. */
export function useSettingsOf(line: string, document: unknown): Settings {
  const now = useSettings()
  const unit = useMemo(() => unitOfLine(document), [document])
  useLayoutEffect(() => {
    open = { line, unit }
    tell()
    return () => {
      open = undefined
      tell()
    }
  }, [line, unit])
  const own = unitOf(line) ?? unit ?? now.unit
  return useMemo(() => ({ ...now, unit: own }), [now, own])
}
