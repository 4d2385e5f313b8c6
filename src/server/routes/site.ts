import { Hono } from 'hono'
import { rightFirst, workByMethod } from '../../core/logbook/book'
import { siteSchema } from '../../core/site/schema'
import { visitsTo } from '../db/jobs'
import { keepBook, linesAtAGlance, linesUnbooked } from '../db/lines'
import { putSiteSettings, siteSettings } from '../db/revisions'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { valid } from './answers'

/** Lines whose books are made again in one go. */
const atOnce = 50

/** Makes the books again that a visit changed; each is kept unless another visit came meanwhile. */
async function bookAgain({ store: { db }, heavy }: Site): Promise<void> {
  for (let tries = 0; tries < 100; tries++) {
    const lines = await linesUnbooked(db, atOnce)
    if (lines.length === 0) return
    const known = await Promise.all(
      lines.map(async ({ id, document }) => ({
        visits: await visitsTo(db, id),
        ...(document.logbook ? { logbook: document.logbook } : {}),
      })),
    )
    const books = await heavy.books(known)
    for (const [i, { id, stamp }] of lines.entries()) {
      const book = books[i]
      if (book) await keepBook(db, id, book, stamp)
    }
  }
}

/** What the site says of itself, and how it stands. */
export const siteRoutes = (site: Site) => {
  const { db } = site.store
  return new Hono()
    .get(
      '/',
      describeOperation('Gets the site settings.', { 200: { says: 'Name, mark and rules.', schema: siteSchema } }),
      async (c) => c.json(await siteSettings(db), 200),
    )
    .put(
      '/',
      describeOperation('Changes the site settings.', { 200: { says: 'As stored.', schema: siteSchema } }, [400]),
      valid('json', siteSchema),
      async (c) => {
        const document = c.req.valid('json')
        await putSiteSettings(db, document)
        return c.json(document, 200)
      },
    )
    .get(
      '/view',
      describeOperation('Gets the site overview.', {
        200: 'Lines, methods and how often the first move was right.',
      }),
      async (c) => {
        await bookAgain(site)
        const lines = await linesAtAGlance(db)
        const books = lines.flatMap(({ book }) => book ?? [])
        return c.json(
          {
            lines: lines.map(({ book, ...line }) => {
              if (!book) return { ...line, book: null }
              const { work: _, ...kept } = book
              return { ...line, book: kept }
            }),
            methods: workByMethod(books),
            first: rightFirst(books),
          },
          200,
        )
      },
    )
}
