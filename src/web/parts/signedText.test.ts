import { describe, expect, it } from 'vitest'
import { parseNumber } from '../../core/quantity/number'
import { type SignedText, signedText, withEdit, withMinus, withReplaced, withTurnedSign } from './signedText'

/** Keys pressed in a field that has the focus; "a" selects all of it, as the focus does. */
function press(text: string, keys: string, allAtFirst = true): SignedText {
  let state = signedText(text)
  let all = allAtFirst
  for (const key of keys) {
    if (key === 'a') all = true
    else if (key === '-') {
      state = withMinus(state, { all, atEnd: !all })
      all = state.over !== undefined
    } else {
      state = withEdit(state, all ? key : state.text + key, key)
      all = false
    }
  }
  return state
}

describe('the minus key', () => {
  it.each([
    ['-5', '-6', '-6'],
    ['-0.412', '-0.5', '-0.5'],
    ['5', '-6', '-6'],
    ['-5', '6', '6'],
    ['-5', '-', '5'],
    ['0.41', '-', '-0.41'],
    ['0.41', '--', '0.41'],
    ['0.41', '--6', '-6'],
    ['-0.41', '--', '-0.41'],
    ['', '--5', '-5'],
    ['', '-.02-', '-.02'],
    ['', '.02--', '-.02'],
    ['-6', '-6.5', '-6.5'],
    ['', '-0.5', '-0.5'],
    ['', '0.5-', '-0.5'],
    ['-5', '7a-6', '-6'],
  ])('over “%s” the keys %s give %s', (text, keys, becomes) => {
    expect(press(text, keys).text).toBe(becomes)
  })
  it('with the caret inside reverses the sign alone', () => {
    expect(press('-0.412', '-', false).text).toBe('0.412')
    expect(press('0.412', '-5', false).text).toBe('-0.4125')
  })
  it('in one and a half is the dash of a fraction', () => {
    expect(press('', '1-1/2').text).toBe('1-1/2')
    expect(press('', '-1-1/2').text).toBe('-1-1/2')
    for (const [text, value] of [
      ['1-1/2', 1.5],
      ['-1-1/2', -1.5],
      ['1 - 1/2', 1.5],
    ] as const)
      expect(parseNumber(text)).toEqual({ ok: true, value })
    expect(press('', '12-34').text).toBe('-1234')
  })
})

describe('the sign key of the pad', () => {
  const all = { all: true, atEnd: false }
  it('turns the sign over each time, also of the digit that follows', () => {
    const once = withTurnedSign(signedText('-6'), all)
    expect(once.text).toBe('6')
    expect(withEdit(once, '6', '6').text).toBe('-6')
    const twice = withTurnedSign(once, all)
    expect(twice.text).toBe('-6')
    expect(withEdit(twice, '7', '7').text).toBe('7')
    expect(withTurnedSign({ text: '-5', typed: true }, { all: false, atEnd: true }).text).toBe('5')
  })
  it('leaves a pasted sign as it was pasted', () => {
    const minus = withMinus(signedText('4'), all)
    expect(withReplaced(minus, '6').text).toBe('-6')
    expect(withReplaced(minus, '-6').text).toBe('-6')
    expect(withReplaced(signedText('4'), '6').text).toBe('6')
  })
})
