/** Whether a text says why: two words at least, of two letters and more. An “x” or a “-” says nothing to whoever reads the record. */
export const isReason = (text: string): boolean => (text.match(/\p{L}[\p{L}\p{M}’'-]+/gu) ?? []).length >= 2
