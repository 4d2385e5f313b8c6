import { Hono } from 'hono'
import { siteSchema } from '../../core/site/schema'
import { putSiteSettings, siteSettings } from '../db/revisions'
import type { Site } from '../site'
import { valid } from './answers'

/** What the site says of itself. */
export const siteRoutes = ({ store: { db } }: Site) =>
  new Hono()
    .get('/', async (c) => c.json(await siteSettings(db), 200))
    .put('/', valid('json', siteSchema), async (c) => {
      const document = c.req.valid('json')
      await putSiteSettings(db, document)
      return c.json(document, 200)
    })
