import { eq, inArray } from 'drizzle-orm'
import type { Photograph } from '../../core/job/photographs'
import type { Database } from './open'
import { photographs } from './schema'

/** Keeps a picture by the SHA-256 of its bytes; the same picture twice is kept once. */
export const keepPhotograph = (
  db: Database,
  one: { id: string; type: Photograph['type']; bytes: Uint8Array; at: string },
) =>
  db
    .insert(photographs)
    .values({ id: one.id, type: one.type, bytes: one.bytes, storedAt: one.at })
    .onConflictDoNothing()

export const findPhotograph = (db: Database, id: string) =>
  db.query.photographs.findFirst({ where: eq(photographs.id, id) })

/** The pictures of a job, by id; one that is not kept is not there. */
export async function photographsIn(
  db: Database,
  list: readonly Photograph[] | undefined,
): Promise<ReadonlyMap<string, Uint8Array>> {
  if (!list || list.length === 0) return new Map()
  const found = await db.query.photographs.findMany({
    where: inArray(
      photographs.id,
      list.map(({ id }) => id),
    ),
  })
  return new Map(found.map(({ id, bytes }) => [id, bytes]))
}
