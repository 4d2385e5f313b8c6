import { Hono } from 'hono'
import { siteSchema } from '../../core/site/schema'
import { putSiteSettings, siteSettings } from '../db/revisions'
import { told } from '../openapi'
import type { Site } from '../site'
import { valid } from './answers'

/** What the site says of itself. */
export const siteRoutes = ({ store: { db } }: Site) =>
  new Hono()
    .get(
      '/',
      told('What the site says of itself.', { 200: { says: 'Name, mark and rules.', schema: siteSchema } }),
      async (c) => c.json(await siteSettings(db), 200),
    )
    .put(
      '/',
      told('Changes what the site says of itself.', { 200: { says: 'As it is stored.', schema: siteSchema } }, [400]),
      valid('json', siteSchema),
      async (c) => {
        const document = c.req.valid('json')
        await putSiteSettings(db, document)
        return c.json(document, 200)
      },
    )
