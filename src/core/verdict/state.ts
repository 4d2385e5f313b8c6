/** State of anything that is judged: a round peg fits, a square one does not. */
export type VerdictState = 'within' | 'unsure' | 'outside' | 'nothing'
