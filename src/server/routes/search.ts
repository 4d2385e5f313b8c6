import { Hono } from 'hono'
import * as v from 'valibot'
import { findAll } from '../db/finds'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { valid } from './answers'

const searchQuery = v.object({ q: v.pipe(v.string(), v.maxLength(120)) })

/** Lines, jobs and kit by their words, as they are typed. */
export const searchRoutes = ({ store: { db } }: Site) =>
  new Hono().get(
    '/',
    describeOperation(
      'Searches lines, jobs and kit for every word, best first.',
      { 200: 'At most 20 results.' },
      [400],
    ),
    valid('query', searchQuery),
    async (c) => c.json(await findAll(db, c.req.valid('query').q), 200),
  )
