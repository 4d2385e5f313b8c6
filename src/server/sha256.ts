import { createHash } from 'node:crypto'

/** SHA-256 of a text in UTF-8, as 64 hexadecimal digits. */
export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex')
