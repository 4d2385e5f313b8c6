import { customAlphabet } from 'nanoid'

const letters = customAlphabet('0123456789abcdefghijklmnopqrstuvwxyz', 10)

/**
 * An id that nothing else has, made and not counted: what two tablets add at the same moment stays two things. Letters and
 * digits only, since ids are joined with points, colons and strokes.
 *
 * @param prefix a letter that says what it is of
 */
export const newId = (prefix: string): string => `${prefix}${letters()}`
