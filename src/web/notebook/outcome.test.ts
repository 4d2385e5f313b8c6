import { describe, expect, it } from 'vitest'
import { outcomeOf } from './shelves'

const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status })
const stored = (edits: string) => ({ version: 8, document: { title: 'Alignment' }, edits })
const outcome = (response: Response | Promise<Response>) => outcomeOf(Promise.resolve(response), 'edit-two')

describe('what is said of a save hangs on what the answer says', () => {
  it('saved is what is stored with this edit in it', async () => {
    expect(await outcome(json(stored('edit-one edit-two')))).toEqual({ kind: 'saved', version: 8 })
  })

  it.each([
    ['nothing', json({})],
    ['null', json(null)],
    ['a page', new Response('<html>Sign in</html>')],
    ['another’s edit', json(stored('edit-one'))],
    ['a version that is none', json({ ...stored('edit-two'), version: 'new' })],
    ['half of it', new Response('{"version":8,"docu')],
    ['a clash without what it clashes with', json({ error: { path: '', message: 'no' } }, 409)],
    ['a clash of nothing', json(null, 409)],
    ['a gateway', new Response('', { status: 502 })],
  ])('not reached: answered with %s', async (_, response) => {
    expect(await outcome(response)).toEqual({ kind: 'unreached' })
  })

  it('not reached: no answer at all', async () => {
    expect(await outcome(Promise.reject(new TypeError('Failed to fetch')))).toEqual({ kind: 'unreached' })
  })

  it('a clash comes with what is stored, a refusal with its sentence', async () => {
    const current = stored('edit-one')
    expect(await outcome(json({ error: { path: '', message: '' }, current }, 409))).toEqual({
      kind: 'conflict',
      stored: current,
    })
    const refused = json({ error: { path: 'document.title', message: 'expected a text' } }, 400)
    expect(await outcome(refused)).toEqual({ kind: 'refused', message: 'document.title: expected a text' })
  })
})
