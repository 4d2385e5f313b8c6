import { appWords } from '../../words/page/app'
import { answered } from '../api/client'
import { isUnreached, Unreached } from '../api/reach'
import { type Copy, changed, type Documents, type Kind, tablet } from './store'

/** How many documents that were opened, and belong to no line taken along, are kept. */
const mostOpened = 40
/** How long an answer is waited for where there is a copy to go on with, ms. */
const patience = 6000

export const keyOf = (kind: Kind, id: string): string => `${kind}:${id}`

const lineOf = (kind: Kind, stored: Documents[Kind]): string =>
  kind === 'line' ? stored.id : 'lineId' in stored ? stored.lineId : ''

/** Keeps what the server has of a document, unless something newer is kept; true where it is kept. */
export async function keepCopy<K extends Kind>(kind: K, stored: Documents[K]): Promise<boolean> {
  try {
    const db = await tablet()
    const key = keyOf(kind, stored.id)
    const change = db.transaction('copies', 'readwrite')
    const before = await change.store.get(key)
    if (!before || before.stored.version <= stored.version)
      await change.store.put({ key, kind, line: lineOf(kind, stored), stored, at: Date.now() } as Copy)
    await change.done
    changed()
    return true
  } catch (error) {
    changed(error)
    return false
  }
}

/** The copy of a document; undefined where there is none, or nothing can be read. */
export async function copyOf<K extends Kind>(kind: K, id: string): Promise<Documents[K] | undefined> {
  try {
    return (await (await tablet()).get('copies', keyOf(kind, id)))?.stored as Documents[K] | undefined
  } catch {
    return undefined
  }
}

/** Every copy of one kind; none where nothing can be read. */
export async function copiesOf<K extends Kind>(kind: K): Promise<Documents[K][]> {
  try {
    const all = await (await tablet()).getAll('copies')
    return all.filter((copy) => copy.kind === kind).map(({ stored }) => stored as Documents[K])
  } catch {
    return []
  }
}

/** Lets go of what was opened long ago and belongs to no line taken along; `held`: keys of what is not sent yet. */
export async function tidyCopies(held: ReadonlySet<string>): Promise<void> {
  const db = await tablet()
  const [copies, taken] = await Promise.all([db.getAll('copies'), db.getAllKeys('taken')])
  const loose = copies
    .filter(({ key, kind, line }) => kind !== 'kit' && !held.has(key) && !taken.includes(line))
    .sort((a, b) => b.at - a.at)
  await Promise.all(loose.slice(mostOpened).map(({ key }) => db.delete('copies', key)))
}

type Request = Parameters<typeof answered>[0]

/**
 * A document from the server, kept on this tablet; where the server is not reached, what is kept here of it.
 *
 * @throws Unreached where neither is to be had; Error with the sentence of a refusal
 */
export async function fetchOrCopy<K extends Kind>(
  kind: K,
  id: string,
  request: (signal: AbortSignal) => Request,
): Promise<Documents[K]> {
  const copy = await copyOf(kind, id)
  const patient = new AbortController()
  const timer = copy && setTimeout(() => patient.abort(), patience)
  try {
    const stored = (await answered(request(patient.signal))) as Documents[K]
    void keepCopy(kind, stored)
    return stored
  } catch (error) {
    if (!isUnreached(error)) throw error
    if (copy) return copy
    throw new Unreached(appWords.notOnThisTablet, { cause: error })
  } finally {
    clearTimeout(timer)
  }
}
