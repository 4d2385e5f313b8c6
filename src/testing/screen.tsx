import { QueryClientProvider } from '@tanstack/react-query'
import { IDBFactory } from 'fake-indexeddb'
import 'fake-indexeddb/auto'
import { flushSync } from 'react-dom'
import { createRoot, type Root } from 'react-dom/client'
import { BrowserRouter } from 'react-router'
import { afterEach, inject, test as plain, vi } from 'vitest'
import { keyboard, Locator } from './locator'

export { expect, type Locator } from './locator'

interface Program {
  Screens: typeof import('../web/app/Screens').Screens
  queryClient: typeof import('../web/tablet/queries').queryClient
}

/** The program as a browser has it that never had it before: nothing that it remembers outside of its own stores is left. */
async function freshProgram(): Promise<Program> {
  vi.resetModules()
  globalThis.indexedDB = new IDBFactory()
  const [{ Screens }, { queryClient }] = await Promise.all([
    import('../web/app/Screens'),
    import('../web/tablet/queries'),
  ])
  return { Screens, queryClient }
}

/** Nothing is laid out here, and a style's rules take longest of all to look up: what is hidden is what says so itself. */
Element.prototype.checkVisibility = function (this: Element) {
  return this.isConnected && !this.closest('[hidden], [style*="display: none"]')
}

/** What is on its way to the server. */
const sending = new Set<Promise<unknown>>()
const plainFetch = globalThis.fetch
globalThis.fetch = (...asked) => {
  const sent = plainFetch(...asked)
  sending.add(sent)
  void sent.then(
    () => sending.delete(sent),
    () => sending.delete(sent),
  )
  return sent
}

/** A tab that shows the page: as in the browser, but that nothing is laid out. The server is a real one, in another process. */
export class Page extends Locator {
  readonly keyboard = keyboard
  private root: Root | undefined
  private program: Program | undefined
  constructor() {
    super('page', () => [document.body])
  }
  /** Opens an address anew, as typed into the browser. */
  async goto(address: string): Promise<void> {
    this.close()
    const { href } = new URL(address, location.href)
    ;(window as unknown as { happyDOM: { setURL(url: string): void } }).happyDOM.setURL(href)
    this.root = createRoot(document.body.appendChild(document.createElement('div')))
    this.program ??= await freshProgram()
    const { Screens, queryClient } = this.program
    flushSync(() =>
      this.root?.render(
        <QueryClientProvider client={queryClient}>
          <BrowserRouter>
            <Screens />
          </BrowserRouter>
        </QueryClientProvider>,
      ),
    )
  }
  /** Asks the server as the page's own scripts may. */
  readonly request = {
    get: async (address: string) => {
      const answer = await fetch(address)
      const bytes = new Uint8Array(await answer.arrayBuffer())
      return {
        status: () => answer.status,
        headers: () => Object.fromEntries(answer.headers.entries()),
        body: async () => Buffer.from(bytes),
        text: async () => new TextDecoder().decode(bytes),
        json: async () => JSON.parse(new TextDecoder().decode(bytes)),
      }
    },
  }
  evaluate = async <T,>(run: () => T): Promise<T> => run()
  /** The page is left as in the browser: what it sends as it goes arrives before it is asked for again. */
  async reload(): Promise<void> {
    const { href } = location
    this.close()
    await Promise.allSettled(sending)
    await this.goto(href)
  }
  url = () => location.href
  /** What a person chose in this browser before. */
  async settings(settings: object): Promise<void> {
    localStorage.setItem('vane-peg:settings', JSON.stringify(settings))
  }
  close(): void {
    window.dispatchEvent(new Event('pagehide'))
    const root = this.root
    this.root = undefined
    if (root) flushSync(() => root.unmount())
    this.program?.queryClient.clear()
    document.body.replaceChildren()
  }
}

let open: Page | undefined
afterEach(() => {
  open?.close()
  open = undefined
  localStorage.clear()
  sessionStorage.clear()
})

/** A test on a page with a site of its own: `demo`, the made-up plant, or `empty`. */
export const test = plain.extend<{ page: Page; demo: string; empty: string }>({
  // biome-ignore lint/correctness/noEmptyPattern: Vitest wants a pattern here
  page: async ({}, use) => {
    open = new Page()
    await use(open)
  },
  // biome-ignore lint/correctness/noEmptyPattern: as above
  demo: async ({}, use) => use(await siteWith('demo')),
  // biome-ignore lint/correctness/noEmptyPattern: as above
  empty: async ({}, use) => use(await siteWith('empty')),
})

async function siteWith(what: 'demo' | 'empty'): Promise<string> {
  const answer = await fetch(`${inject('sites')}/${what}`, { method: 'POST' })
  return (await answer.json()).address
}

declare module 'vitest' {
  export interface ProvidedContext {
    /** Where sites are asked for. */
    sites: string
  }
}
