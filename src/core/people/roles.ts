/** What people may do, from the least to the most: each may do all that those before may. */
export const roles = ['reader', 'millwright', 'planner', 'administrator'] as const
export type Role = (typeof roles)[number]

/** Whether somebody in one role may do what another role is needed for. */
export const mayAs = (role: Role, needed: Role): boolean => roles.indexOf(role) >= roles.indexOf(needed)

/** Initials as they are compared: "K. O." and "ko" are the same person's, and so are letters of another width. */
export const initialsKey = (initials: string): string =>
  initials
    .normalize('NFKC')
    .replace(/[\s.·]+/g, '')
    .toLowerCase()

/** Whether two people's initials are one person's; nobody is nobody's. */
export const samePerson = (one: string, other: string): boolean =>
  initialsKey(one) !== '' && initialsKey(one) === initialsKey(other)
