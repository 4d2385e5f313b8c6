/** A key of the pad. */
export type PadKey = { digit: string } | 'sign' | 'point' | 'erase' | 'next' | 'before' | 'turn-up' | 'turn-down'

/** The pad's sign key, as fields hear it: no keyboard has one. */
export const signKey = '±'

/** Fields that the pad types into: measured numbers. */
export const padField = 'input[data-quantity]'

export const isPadField = (target: unknown): target is HTMLInputElement =>
  target instanceof HTMLInputElement && target.matches(padField) && !target.readOnly

/** Puts text in where the caret is, as a keyboard does. */
function put(field: HTMLInputElement, text: string): void {
  const [from, to] = [field.selectionStart ?? field.value.length, field.selectionEnd ?? field.value.length]
  field.setRangeText(text, from, to, 'end')
  field.dispatchEvent(new InputEvent('input', { bubbles: true, data: text, inputType: 'insertText' }))
}

function erase(field: HTMLInputElement): void {
  const [from, to] = [field.selectionStart ?? 0, field.selectionEnd ?? 0]
  field.setRangeText('', from === to ? Math.max(0, from - 1) : from, to, 'end')
  field.dispatchEvent(new InputEvent('input', { bubbles: true, inputType: 'deleteContentBackward' }))
}

/** Whether somebody took the key. */
const key = (field: HTMLInputElement, name: string, shiftKey = false): boolean =>
  !field.dispatchEvent(new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }))

/** To a neighbor in the order of the page, where the field has no order of its own. */
function step(field: HTMLInputElement, by: 1 | -1): void {
  const all = [...document.querySelectorAll<HTMLInputElement>(padField)].filter((one) => one.offsetParent !== null)
  all[all.indexOf(field) + by]?.focus()
}

/** Presses a key of the pad in the field that has the focus. */
export function press(field: HTMLInputElement, pressed: PadKey): void {
  if (typeof pressed === 'object') put(field, pressed.digit)
  else if (pressed === 'point') put(field, '.')
  else if (pressed === 'erase') erase(field)
  else if (pressed === 'sign') key(field, signKey)
  else if (pressed === 'turn-up') key(field, 'PageUp')
  else if (pressed === 'turn-down') key(field, 'PageDown')
  else if (!key(field, 'Enter', pressed === 'before')) step(field, pressed === 'next' ? 1 : -1)
}
