import { Hono } from 'hono'
import { noted } from '../db/trail'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { refusal } from './answers'

/** Copies of the data that are kept beside it. */
export const copyRoutes = ({ store }: Site) =>
  new Hono()
    .get(
      '/',
      describeOperation('Lists backups, latest first. Empty if the data is on another server.', {
        200: 'Each with its time and size.',
      }),
      (c) => c.json({ inFile: store.copyNow !== undefined, copies: store.copies() }, 200),
    )
    .post('/', describeOperation('Backs up the data now.', { 201: 'The backup.' }, [409]), async (c) => {
      if (!store.copyNow) return c.json(refusal('', 'The data is on another server. Back it up there.'), 409)
      await noted(store.db, { act: 'copied', kind: 'data', of: '' })
      return c.json(await store.copyNow(), 201)
    })
