import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname } from 'node:path'
import { nanoid } from 'nanoid'
import type { Role } from '../../core/people/roles'
import { StartFault } from '../db/files'

/** How long a one-time code holds, seconds. */
export const codeHolds = 3 * 24 * 3600

export const passwordLength = { min: 10, max: 128 } as const

/** The library wants a mailbox for each account: one under a name that no mail can ever reach. */
export const mailboxOf = (signIn: string): string => `${signIn.trim().toLowerCase()}@people.invalid`
export const signInOf = (mailbox: string): string => mailbox.replace(/@people\.invalid$/, '')

/**
 * What cookies are signed with: from the environment, else kept beside the database's file, readable by its owner alone. It is
 * not in the database, so that a copy of that alone lets nobody in.
 *
 * @throws StartFault where the data is on another server and nothing was given
 */
export function secretFor(database: string, env: NodeJS.ProcessEnv): string {
  const { DOOR_SECRET: given } = env
  if (given !== undefined) {
    if (given.length < 32) throw new StartFault('DOOR_SECRET: expected at least 32 characters.')
    return given
  }
  if (/^[a-z]+:\/\//.test(database))
    throw new StartFault(
      'DOOR_SECRET: set at least 32 characters in the environment, the same on every server of one database. It signs the cookies.',
    )
  const file = `${database.replace(/^file:/, '')}.door`
  if (existsSync(file)) return readFileSync(file, 'utf8').trim()
  mkdirSync(dirname(file), { recursive: true })
  const secret = nanoid(48)
  writeFileSync(file, `${secret}\n`, { mode: 0o600 })
  return secret
}

/** Somebody who is signed in. */
export interface Person {
  id: string
  name: string
  initials: string
  role: Role
}
