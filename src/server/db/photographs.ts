import { eq, inArray } from 'drizzle-orm'
import type { Photograph } from '../../core/job/photographs'
import type { Database } from './open'
import { photographs } from './schema'
import { withTrail } from './trail'

/** Keeps a picture by the SHA-256 of its bytes; the same picture twice is kept once. */
export const keepPhotograph = (
  db: Database,
  one: { id: string; type: Photograph['type']; bytes: Uint8Array; at: string },
) =>
  withTrail(
    db,
    db
      .insert(photographs)
      .values({ id: one.id, type: one.type, bytes: one.bytes, storedAt: one.at })
      .onConflictDoNothing(),
    { act: 'made', kind: 'photograph', of: one.id },
  )

export const findPhotograph = (db: Database, id: string) =>
  db.query.photographs.findFirst({ where: eq(photographs.id, id) })

/** Pictures by their ids; one that is not kept is not there. */
export async function picturesOf(db: Database, ids: readonly string[]): Promise<ReadonlyMap<string, Uint8Array>> {
  if (ids.length === 0) return new Map()
  const found = await db.query.photographs.findMany({ where: inArray(photographs.id, [...ids]) })
  return new Map(found.map(({ id, bytes }) => [id, bytes]))
}
