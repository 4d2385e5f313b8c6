import { createHash } from 'node:crypto'
import { Hono } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import * as v from 'valibot'
import { largestPhotograph } from '../../core/job/photographs'
import { mostDots, pictureSize, pictureType, withoutMetadata } from '../../core/job/pictures'
import { findPhotograph, keepPhotograph } from '../db/photographs'
import { bodyOf, describeOperation } from '../openapi'
import type { Site } from '../site'
import { refusal, valid } from './answers'

const hashParam = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'expected the SHA-256 of a picture')),
})
const tooLarge = refusal('', 'Picture larger than 3 MB.')
const tooManyDots = refusal('', `Picture larger than ${mostDots / 1e6} megapixels. Make it smaller first.`)
const noPicture = refusal('', 'Not a readable JPEG or PNG picture.')

/** Pictures, kept by what they are. */
export const photographRoutes = ({ store: { db } }: Site) =>
  new Hono()
    .post(
      '/',
      describeOperation(
        'Stores a picture by its hash, without the camera’s data.',
        { 201: 'Its name and type.' },
        [413, 415],
      ),
      bodyOf('image/jpeg', 'image/png'),
      bodyLimit({ maxSize: largestPhotograph, onError: (c) => c.json(tooLarge, 413) }),
      async (c) => {
        const sent = new Uint8Array(await c.req.arrayBuffer())
        const type = pictureType(sent)
        const bytes = type && withoutMetadata(sent, type)
        const size = type && bytes && pictureSize(bytes, type)
        if (!type || !bytes || !size || size.across * size.down === 0) return c.json(noPicture, 415)
        if (size.across * size.down > mostDots) return c.json(tooManyDots, 413)
        const id = createHash('sha256').update(bytes).digest('hex')
        await keepPhotograph(db, { id, type, bytes, at: new Date().toISOString() })
        return c.json({ id, type }, 201)
      },
    )
    .get(
      '/:id',
      describeOperation('A picture.', { 200: { says: 'The picture.', type: 'image/*' } }, [404]),
      valid('param', hashParam),
      async (c) => {
        const found = await findPhotograph(db, c.req.valid('param').id)
        if (!found) return c.json(refusal('id', 'Picture not found.'), 404)
        return c.body(new Uint8Array(found.bytes), 200, {
          'Content-Type': found.type,
          // it is named by what it is: it never changes
          'Cache-Control': 'private, max-age=31536000, immutable',
          'X-Content-Type-Options': 'nosniff',
        })
      },
    )
