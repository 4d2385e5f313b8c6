import { newId } from '../app/newId'

/** This page, among those of one browser. */
export const thisPage = newId('p')

/** How long a page that is open may take to say so, ms. One that is frozen says nothing; nothing is lost by that. */
const patience = 200

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('vane-peg:pages')
type Word = { ask: string } | { answer: string; page: string }

channel?.addEventListener('message', ({ data }: MessageEvent<Word>) => {
  if ('ask' in data) channel.postMessage({ answer: data.ask, page: thisPage } satisfies Word)
})

/** Ids of the pages of this browser that are open, this one among them. */
export function openPages(): Promise<Set<string>> {
  const pages = new Set([thisPage])
  if (!channel) return Promise.resolve(pages)
  const ask = newId('q')
  return new Promise((known) => {
    const hear = ({ data }: MessageEvent<Word>) => {
      if ('answer' in data && data.answer === ask) pages.add(data.page)
    }
    channel.addEventListener('message', hear)
    channel.postMessage({ ask } satisfies Word)
    setTimeout(() => {
      channel.removeEventListener('message', hear)
      known(pages)
    }, patience)
  })
}
