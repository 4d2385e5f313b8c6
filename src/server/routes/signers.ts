import type { Context } from 'hono'
import type { Role } from '../../core/people/roles'
import type { Person } from '../auth/accounts'
import type { AuthService } from '../auth/service'
import { refusal } from './answers'
import { addressOf, tooOften } from './door'

/** Initials and the PIN typed with them, and where in the request that stands. */
interface Signature {
  path: string
  initials: string
  pin: string
}

/**
 * Who stands behind initials: each with their own PIN, whoever the tablet is signed in as. Nobody is asked where the site has no
 * door.
 *
 * @returns the people in that order, none without a door, or the refusal to be sent
 */
export async function signersOf(
  c: Context,
  door: AuthService | undefined,
  signatures: readonly Signature[],
  needed: Role,
) {
  const people: Person[] = []
  if (!door) return people
  for (const { path, initials, pin } of signatures) {
    if (initials.trim() === '') continue
    try {
      const person = await door.signer(initials, pin, needed, addressOf(c, door))
      if (!person) return c.json(refusal(path, `Wrong initials or PIN, or no permission: ${initials.trim()}.`), 403)
      people.push(person)
    } catch (error) {
      return tooOften(c, error, path)
    }
  }
  return people
}
