/**
 * The header by which an answer is known to be this server's own. What a sign-in page of a network or a proxy answers in its place
 * does not have it, and counts as no answer at all: nothing is said to be saved that was not.
 */
export const ownAnswer = 'Vane-Peg'
