// @vitest-environment happy-dom
import { afterEach, describe, expect, it } from 'vitest'
import { isPadField, type PadKey, press } from './press'

const field = (value = '', attributes = ''): HTMLInputElement => {
  document.body.insertAdjacentHTML('beforeend', `<input data-quantity="" value="${value}" ${attributes}>`)
  const made = document.body.lastElementChild as HTMLInputElement
  made.focus()
  return made
}

afterEach(() => document.body.replaceChildren())

describe('the glove pad', () => {
  it('types where the caret is, over what is selected, and takes off again', () => {
    const one = field('0.25')
    one.setSelectionRange(0, 4)
    const heard: string[] = []
    one.addEventListener('input', (event) => heard.push((event as InputEvent).data || 'none'))
    for (const key of [{ digit: '1' }, 'point', { digit: '3' }, { digit: '4' }, 'erase'] satisfies PadKey[])
      press(one, key)
    expect(one.value).toBe('1.3')
    expect(heard).toEqual(['1', '.', '3', '4', 'none'])
  })
  it('presses the keys that a field knows: sign, turns, next in its own order', () => {
    const one = field()
    const pressed: string[] = []
    one.addEventListener('keydown', (event) => {
      pressed.push(`${event.shiftKey ? 'shift ' : ''}${event.key}`)
      event.preventDefault()
    })
    for (const key of ['sign', 'turn-up', 'turn-down', 'next', 'before'] satisfies PadKey[]) press(one, key)
    expect(pressed).toEqual(['±', 'PageUp', 'PageDown', 'Enter', 'shift Enter'])
  })
  it('knows what it types into', () => {
    expect(isPadField(field())).toBe(true)
    expect(isPadField(field('', 'readonly'))).toBe(false)
    expect(isPadField(document.createElement('input'))).toBe(false)
    expect(isPadField(null)).toBe(false)
  })
})
