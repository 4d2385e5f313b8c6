import { useEffect } from 'react'
import { useLocation } from 'react-router'
import { isFindShown } from '../find/opened'

const textTypes = /^(text|search|email|tel|url|number|password|date|time|datetime-local|month|week)$/

/** Whether a key belongs to a field that is being typed in. A list takes letters of its own, but no digits. */
export function typing({ target, key }: Pick<KeyboardEvent, 'target' | 'key'>): boolean {
  if (target instanceof HTMLInputElement) return textTypes.test(target.type)
  if (target instanceof HTMLSelectElement) return /^\p{L}$/u.test(key)
  return target instanceof HTMLTextAreaElement || (target instanceof HTMLElement && target.isContentEditable)
}

/** What lies over the screen and has the keyboard. */
const over = '[role="dialog"], [role="alertdialog"], [role="menu"], [role="listbox"]'

/**
 * Whether a key is a shortcut of the screen: plain, typed into no field, and with nothing over the screen that has the keyboard,
 * be it there already or still on its way.
 */
export function isShortcut(event: KeyboardEvent): boolean {
  if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return false
  return !typing(event) && !isFindShown() && !document.querySelector(over)
}

const reachable =
  'a[href], button:not([disabled]), input:not([disabled]), select:not([disabled]), textarea:not([disabled]), summary, [tabindex="0"]'

/** Leads past the head of the page: shown while it has the focus, so the page itself never puts it there. */
const skip = 'a[href="#bench"]'

const usable = (element: Element): element is HTMLElement =>
  element instanceof HTMLElement &&
  element.isConnected &&
  element.matches(reachable) &&
  !element.matches(skip) &&
  element.checkVisibility()

/** Puts the focus on something that is not reached by Tab: a heading, or the work itself. */
function land(element: HTMLElement | null): boolean {
  if (!element) return false
  if (!element.matches(reachable) && !element.hasAttribute('tabindex')) element.tabIndex = -1
  element.focus({ preventScroll: true })
  return document.activeElement === element
}

/** The heading of the screen, else its work. */
const heading = (): HTMLElement | null => document.querySelector('main h1, nav h1') ?? document.getElementById('bench')

/** What the page itself put the focus on last, no person. */
const held: { by: Element | undefined } = { by: undefined }

/** Whether the focus is where the page left it, on nothing that a person chose: a screen may then begin at its first field. */
export function focusIsFree(): boolean {
  const now = document.activeElement
  return !now || now === document.body || now === held.by || !now.matches(reachable)
}

/** Where the focus was, and what stood round it: enough to find the nearest thing left when it is taken away. */
interface Place {
  element: HTMLElement
  round: readonly Element[]
  after: readonly Element[]
  before: readonly Element[]
}

function placeOf(element: HTMLElement): Place {
  const round: Element[] = []
  for (let up = element.parentElement; up && up !== document.body; up = up.parentElement) round.push(up)
  const all = [...document.querySelectorAll(reachable)]
  const at = all.indexOf(element)
  return { element, round, after: all.slice(at + 1, at + 60), before: all.slice(Math.max(0, at - 60), at).reverse() }
}

/** The nearest thing that is still there: the smallest box round the place first, the next in it before the one above. */
function nearest({ round, after, before }: Place): HTMLElement | undefined {
  for (const box of round) {
    if (!box.isConnected) continue
    const inside = (one: Element) => box.contains(one) && usable(one)
    const found = after.find(inside) ?? before.find(inside) ?? [...box.querySelectorAll(reachable)].find(usable)
    if (found) return found as HTMLElement
  }
  return undefined
}

/**
 * Keeps the keyboard on the page: what had the focus may be taken away or become idle (undo, add, take away), and then the
 * nearest thing left has it, never the page's body. Escape leaves a text field for the screen's heading, where every shortcut works.
 */
function keepFocus(): () => void {
  let last: Place | undefined
  const came = ({ target }: FocusEvent) => {
    last = target instanceof HTMLElement && target !== document.body ? placeOf(target) : undefined
  }
  const mend = () => {
    if (document.activeElement !== document.body || !last) return
    const { element } = last
    const idle = 'disabled' in element && element.disabled === true
    if (element.isConnected && !idle) return // left by the person's own hand
    const next = nearest(last)
    held.by = next
    if (next) next.focus({ preventScroll: true })
    else land(heading())
  }
  const leave = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || event.defaultPrevented || !(event.target instanceof HTMLElement)) return
    if (!typing({ target: event.target, key: 'x' }) || event.target.closest('[role="dialog"]')) return
    land(heading())
  }
  const watch = new MutationObserver(mend)
  watch.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] })
  document.addEventListener('focusin', came)
  window.addEventListener('keydown', leave)
  return () => {
    watch.disconnect()
    document.removeEventListener('focusin', came)
    window.removeEventListener('keydown', leave)
  }
}

/** A screen waits this long for its heading, ms. */
const patience = 8000

/** The keyboard's place on the page: kept from act to act, and on the heading of every new screen. */
export function useFocus(): void {
  const { pathname } = useLocation()
  useEffect(keepFocus, [])
  useEffect(() => {
    if (pathname === first.path) return undefined // the browser's own place on the first screen
    first.path = undefined
    const begun = performance.now()
    const before = document.activeElement
    let frame = 0
    const look = () => {
      const now = document.activeElement
      // a field of the new screen was taken meanwhile
      if (now && now !== before && now !== held.by && now !== document.body && now.closest('main')) return
      const title = document.querySelector<HTMLElement>('main h1, nav h1')
      if (title ? !land(title) : performance.now() - begun < patience) frame = requestAnimationFrame(look)
    }
    frame = requestAnimationFrame(look)
    return () => cancelAnimationFrame(frame)
  }, [pathname])
}

/** The address the page was opened at. */
const first: { path: string | undefined } = {
  path: typeof window === 'undefined' ? undefined : window.location.pathname,
}
