import { flipSign } from '../../core/frame/quantity'

/** A signed number while it is typed. */
export interface SignedText {
  text: string
  /** A minus was pressed with everything selected: a digit typed now begins a negative number. */
  over: '-' | '+' | undefined
  /** Digits a minus was pressed behind: the whole number of "1-1/2", should a fraction follow. */
  whole: string | undefined
}

export const signedText = (text: string): SignedText => ({ text, over: undefined, whole: undefined })

/** The minus key: it reverses the sign from anywhere in the number; with all of it selected, what is typed next replaces it. */
export function withMinus({ text, over }: SignedText, { all, atEnd }: { all: boolean; atEnd: boolean }): SignedText {
  return {
    text: flipSign(text),
    over: all && text !== '' ? (over === '-' ? '+' : '-') : undefined,
    whole: atEnd && /^[+-]?\d+$/.test(text) ? text : undefined,
  }
}

/**
 * The text after an edit of the field.
 *
 * @param data what was put in by that edit, where the browser says
 */
export function withEdit(before: SignedText, text: string, data: string | null | undefined): SignedText {
  if (before.over && data && data === text && !/^[+-]/.test(data))
    return signedText(before.over === '-' ? `-${data}` : data)
  if (before.whole === undefined) return signedText(text)
  const flipped = flipSign(before.whole)
  const rest = text.startsWith(flipped) ? text.slice(flipped.length) : undefined
  if (rest === undefined || !/^\d*\/?$/.test(rest)) return signedText(text)
  return rest.endsWith('/') && rest.length > 1
    ? signedText(`${before.whole}-${rest}`)
    : { text, over: undefined, whole: before.whole }
}
