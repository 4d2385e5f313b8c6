import { wordsOfJob, wordsOfKit, wordsOfLine } from '../../core/find/words'
import type { AnyJob, AnyLine } from '../../core/kinds'
import type { KitItem } from '../../core/kit/schema'
import { answered, api } from '../api/client'
import { isUnreached } from '../api/reach'
import { loadKinds } from '../kinds/load'
import { copiesOf } from '../tablet/copies'

export type Find = Awaited<ReturnType<typeof onServer>>[number]

const onServer = (text: string) => answered(api.search.$get({ query: { q: text } }))

/** What fits every word of a text; where the server is not reached, of what is on this tablet. */
export async function find(text: string): Promise<{ finds: Find[]; here: boolean }> {
  try {
    return { finds: await onServer(text), here: false }
  } catch (error) {
    if (!isUnreached(error)) throw error
    const all = await onTablet()
    return { finds: all.filter(({ name, place, said }) => fitsAll(text, [name, place, said])).slice(0, 20), here: true }
  }
}

/** Whether every word of a text begins a word of what is told; letters count without what stands on them. */
export function fitsAll(text: string, told: readonly string[]): boolean {
  const plain = (one: string) => one.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
  const words = plain(told.join(' ')).split(/[^\p{L}\p{N}]+/u)
  return plain(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
    .every((word) => words.some((one) => one.startsWith(word)))
}

async function onTablet(): Promise<Find[]> {
  const [jobs, lines, kit] = await Promise.all([copiesOf('job'), copiesOf('line'), copiesOf('kit'), loadKinds()])
  const none = { number: null, state: null, title: null }
  return [
    ...lines.map(({ id, name, area, document }) => ({
      ...none,
      kind: 'line' as const,
      id,
      name,
      place: area,
      said: wordsOfLine(document as AnyLine),
    })),
    ...jobs.map(({ id, number, state, title, lineName, area, document }) => ({
      kind: 'job' as const,
      id,
      number,
      state,
      title,
      name: lineName,
      place: area,
      said: `job ${number} ${title} ${wordsOfJob(document as AnyJob)}`,
    })),
    ...kit.map(({ id, name, document }) => ({
      ...none,
      kind: 'kit' as const,
      id,
      name,
      place: '',
      said: wordsOfKit(document as KitItem),
    })),
  ]
}
