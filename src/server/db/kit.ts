import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm'
import { wordsOfKit } from '../../core/find/words'
import type { KitItem } from '../../core/kit/schema'
import { type Edit, stepped } from './edit'
import type { Database } from './open'
import { kit } from './schema'
import { withTrail } from './trail'

/** What is in the kit, or what was taken out of it. */
export const listKit = (db: Database, archived = false) =>
  db
    .select()
    .from(kit)
    .where(archived ? isNotNull(kit.archivedAt) : isNull(kit.archivedAt))
    .orderBy(asc(kit.kind), asc(kit.name))

export const findKit = (db: Database, id: string) => db.query.kit.findFirst({ where: eq(kit.id, id) })

/** What is kept of a piece of kit beside its document. */
export const derivedKit = (document: KitItem) => ({
  document,
  kind: document.kind,
  name: document.name,
  words: wordsOfKit(document),
})

/** Stores a new piece of kit; undefined where there is one of this id. */
export async function insertKit(db: Database, id: string, document: KitItem, at: string) {
  const [made] = await withTrail(
    db,
    db
      .insert(kit)
      .values({ id, ...derivedKit(document), updatedAt: at })
      .onConflictDoNothing({ target: kit.id })
      .returning(),
    { act: 'made', kind: 'kit', of: id },
  )
  return made
}

/** Stores an edit made from `version`; undefined when the piece is by now at another version. */
export async function updateKit(db: Database, id: string, { version, document, edit, at }: Edit<KitItem>) {
  const [updated] = await withTrail(
    db,
    db
      .update(kit)
      .set({ ...derivedKit(document), ...stepped(kit, version, edit), updatedAt: at })
      .where(and(eq(kit.id, id), eq(kit.version, version)))
      .returning(),
    { act: 'edited', kind: 'kit', of: id, more: { from: version } },
  )
  return updated
}

/** Takes a piece out of the kit, or brings it back; jobs keep what they used of it. */
export async function archiveKit(db: Database, id: string, archivedAt: string | null) {
  const [item] = await withTrail(db, db.update(kit).set({ archivedAt }).where(eq(kit.id, id)).returning(), {
    act: archivedAt ? 'put away' : 'brought back',
    kind: 'kit',
    of: id,
  })
  return item
}
