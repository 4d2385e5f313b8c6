import { type Room, sayTo } from './sockets'

/** What changed, for everybody who has it open or in a list. */
export interface Change {
  kind: 'job' | 'line' | 'kit'
  id: string
  version: number
}

/** Tells whoever listens what was stored. */
export class Changes {
  private readonly listeners = new Set<(change: Change) => void>()

  tell(change: Change): void {
    for (const listener of this.listeners) listener(change)
  }

  listen(listener: (change: Change) => void): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

/** `/api/changes/live`: what is stored, told to every page that is open, a line of JSON each. */
export const changesRoom = (changes: Changes): Room => ({
  address: /^\/api\/changes\/live$/,
  most: 200,
  enter: () => (client) => changes.listen((change) => sayTo(client, change)),
})
