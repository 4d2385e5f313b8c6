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

/** The field of the search, once it is there. */
let field: HTMLInputElement | undefined

/** A key that was typed before the field of the search has the keyboard: it is what is looked for. */
export function typeEarly(key: string): void {
  early += key
  if (field) typeInto(field)
}

/** Types what was typed early as a keyboard would: what listens to the field hears it. */
function typeInto(input: HTMLInputElement): void {
  const typed = early
  early = ''
  if (typed === '') return
  input.focus()
  const { set } = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value') ?? {}
  set?.call(input, input.value + typed)
  input.dispatchEvent(new InputEvent('input', { bubbles: true, inputType: 'insertText', data: typed }))
}

/** Gives the field what was typed before it was there, and what still comes before it has the keyboard. */
export function hearEarly(input: HTMLInputElement | null): void {
  field = input ?? undefined
  if (field) typeInto(field)
}
