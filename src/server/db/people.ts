import { and, asc, eq, isNull, ne, sql } from 'drizzle-orm'
import { nanoid } from 'nanoid'
import { initialsKey, type Role } from '../../core/people/roles'
import type { Database } from './open'
import { credentials, people, sessions } from './schema'
import { withTrail } from './trail'

export interface PersonAsked {
  name: string
  initials: string
  role: Role
}

const keyOf = (initials: string) => initialsKey(initials) || null

/** Everybody with an account, by name; the hashes stay behind. */
export const listPeople = (db: Database) =>
  db
    .select({
      id: people.id,
      name: people.name,
      email: people.email,
      initials: people.initials,
      role: people.role,
      putAwayAt: people.putAwayAt,
      hasPin: sql<number>`${people.pin} is not null`,
      hasPassword: sql<number>`exists (select 1 from credentials where credentials.user_id = people.id)`,
      /** Machines on which they are signed in. */
      signedIn: sql<number>`(select count(*) from sessions where sessions.user_id = people.id and sessions.expires_at > unixepoch())`,
    })
    .from(people)
    .orderBy(asc(people.name))

export const findPerson = (db: Database, id: string) => db.query.people.findFirst({ where: eq(people.id, id) })
export const personByMailbox = (db: Database, email: string) =>
  db.query.people.findFirst({ where: eq(people.email, email) })
export const personByInitials = (db: Database, initials: string) =>
  db.query.people.findFirst({ where: eq(people.initialsKey, initialsKey(initials)) })

/** Whose a sign-in name or initials are already, if anybody's but the one of this id. */
export async function takenBy(
  db: Database,
  { email, initials }: { email?: string; initials: string },
  but = '',
): Promise<'signIn' | 'initials' | undefined> {
  const other = email ? await personByMailbox(db, email) : undefined
  if (other && other.id !== but) return 'signIn'
  const same = keyOf(initials) ? await personByInitials(db, initials) : undefined
  return same && same.id !== but ? 'initials' : undefined
}

export async function insertPerson(db: Database, { name, initials, role, email }: PersonAsked & { email: string }) {
  const [id, at] = [nanoid(), new Date()]
  const values = { id, name, email, initials, initialsKey: keyOf(initials), role, createdAt: at, updatedAt: at }
  const [made] = await withTrail(db, db.insert(people).values(values).returning(), {
    act: 'invited',
    kind: 'person',
    of: id,
    more: { name, role },
  })
  if (!made) throw new Error('The person was not saved.')
  return made
}

/** Changes somebody's name, initials and role, or puts the account away: then every session of it ends in the same moment. */
export async function changePerson(
  db: Database,
  id: string,
  { putAway, ...asked }: PersonAsked & { putAway: boolean },
) {
  const { name, initials, role } = asked
  const since = sql`case when ${putAway ? 1 : 0} then coalesce(put_away_at, ${new Date().toISOString()}) end`
  const [changed] = await withTrail(
    db,
    db
      .update(people)
      .set({ name, initials, initialsKey: keyOf(initials), role, putAwayAt: since, updatedAt: new Date() })
      .where(
        and(
          eq(people.id, id),
          // one administrator is always left, whoever else is changed in the same moment
          role === 'administrator' && !putAway
            ? undefined
            : sql`(${people.role} <> 'administrator' or ${people.putAwayAt} is not null or exists (select 1 from people other
                where other.id <> ${id} and other.role = 'administrator' and other.put_away_at is null))`,
        ),
      )
      .returning(),
    { act: 'changed', kind: 'person', of: id, more: { ...asked, putAway } },
  )
  if (changed && putAway) await endSessions(db, id)
  return changed
}

/** Signs somebody out wherever they are signed in. */
export const endSessions = (db: Database, id: string) =>
  withTrail(db, db.delete(sessions).where(eq(sessions.userId, id)), {
    act: 'signed out everywhere',
    kind: 'person',
    of: id,
  })

export const setPin = (db: Database, id: string, pin: string) =>
  withTrail(db, db.update(people).set({ pin }).where(eq(people.id, id)), { act: 'PIN set', kind: 'person', of: id })

/** The hash of somebody's password; undefined before the first was chosen. */
export async function passwordHash(db: Database, id: string): Promise<string | undefined> {
  const found = await db.query.credentials.findFirst({
    where: and(eq(credentials.userId, id), eq(credentials.providerId, 'credential')),
  })
  return found?.password ?? undefined
}

/** Whether anybody could let others in. */
export async function hasAdministrator(db: Database, but = ''): Promise<boolean> {
  const found = await db.query.people.findFirst({
    where: and(eq(people.role, 'administrator'), isNull(people.putAwayAt), ne(people.id, but)),
  })
  return found !== undefined
}
