import { flipSign } from '../../core/quantity/quantity'

/** A signed number while it is typed. */
export interface SignedText {
  text: string
  /** Something was typed since the field was entered: a minus among it stays a minus, however often the key is pressed. */
  typed?: boolean
  /** A sign was pressed with everything selected: what is put in now begins a number of that sign. */
  over?: '-' | '+' | undefined
  /** Digits a minus was pressed behind, and what became of them: the whole number of "1-1/2", should a fraction follow. */
  whole?: { before: string; after: string } | undefined
}

export const signedText = (text: string): SignedText => ({ text })

const typed = (text: string): SignedText => ({ text, typed: true })

const isMinus = (text: string): boolean => /^\s*[-−]/.test(text)

/** Where the caret stands when a sign is pressed. */
interface Caret {
  all: boolean
  atEnd: boolean
}

/**
 * The minus key. From anywhere in a number that stood there it reverses the sign; in one that is being typed it makes it negative,
 * and a second one changes nothing: "--5" is never plus. With everything selected, what is typed next replaces it.
 */
export function withMinus(before: SignedText, { all, atEnd }: Caret): SignedText {
  const { text } = before
  if (all && text !== '') return { ...before, text: flipSign(text), over: '-', whole: undefined }
  const after = before.typed && isMinus(text) ? text : flipSign(text)
  return {
    text: after,
    typed: before.typed || text === '',
    whole: atEnd && /^[+-]?\d+$/.test(text) ? { before: text, after } : undefined,
  }
}

/** The sign key of the pad: it turns the sign over each time, also of what is typed next. */
export const withTurnedSign = (before: SignedText, { all }: Caret): SignedText => ({
  ...before,
  text: flipSign(before.text),
  over: all && before.text !== '' ? (before.over === '-' ? '+' : '-') : undefined,
  whole: undefined,
})

/** What is put in over a number that is selected, after a sign was pressed. */
export const withReplaced = (before: SignedText, put: string): SignedText =>
  typed(before.over === '-' && !/^\s*[-+−]/.test(put) ? `-${put}` : put)

/**
 * The text after an edit of the field.
 *
 * @param data what was put in by that edit, where the browser says
 */
export function withEdit(before: SignedText, text: string, data: string | null | undefined): SignedText {
  if (before.over && data && data === text) return withReplaced(before, data)
  const { whole } = before
  const rest = whole && text.startsWith(whole.after) ? text.slice(whole.after.length) : undefined
  if (!whole || rest === undefined || !/^\d*\/?$/.test(rest)) return typed(text)
  return rest.endsWith('/') && rest.length > 1 ? typed(`${whole.before}-${rest}`) : { text, typed: true, whole }
}
