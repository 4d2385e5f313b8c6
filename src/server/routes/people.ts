import { Hono } from 'hono'
import * as v from 'valibot'
import { initialsKey, roles } from '../../core/people/roles'
import { codeHolds, mailboxOf, signInOf } from '../auth/accounts'
import { changePerson, endSessions, findPerson, insertPerson, listPeople, takenBy } from '../db/people'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { idParam, refusal, valid } from './answers'

const asked = {
  name: v.pipe(v.string(), v.trim(), v.nonEmpty('Enter a name.'), v.maxLength(60)),
  initials: v.pipe(
    v.string(),
    v.trim(),
    v.maxLength(12),
    v.check((text) => text === '' || initialsKey(text) !== '', 'Initials need at least one letter.'),
  ),
  role: v.picklist(roles),
}
const newBody = v.strictObject({
  ...asked,
  signIn: v.pipe(
    v.string(),
    v.trim(),
    v.toLowerCase(),
    v.regex(/^[a-z0-9]([a-z0-9._-]{0,38}[a-z0-9])?$/, 'A sign-in name has lower-case letters, digits, dots and dashes'),
  ),
})
const changeBody = v.strictObject({ ...asked, putAway: v.boolean() })

const taken = {
  signIn: refusal('signIn', 'That sign-in name is taken.'),
  initials: refusal('initials', 'Those initials are taken. Records need unique initials.'),
}
const missing = refusal('id', 'Person not found.')
const noDoor = refusal('', 'This server has no accounts: it serves its own machine only.')

/** Who has an account, and what each may do. */
export const peopleRoutes = ({ store: { db }, door }: Site) => {
  const codeOf = async (person: { id: string; email: string }) => ({
    code: (await door?.codeFor(person)) ?? '',
    holdsUntil: new Date(Date.now() + codeHolds * 1000).toISOString(),
  })
  return new Hono()
    .get('/', describeOperation('Lists the accounts.', { 200: 'The accounts.' }), async (c) => {
      const list = await listPeople(db)
      return c.json(
        list.map(({ email, hasPin, hasPassword, ...one }) => ({
          ...one,
          signIn: signInOf(email),
          hasPin: hasPin === 1,
          hasPassword: hasPassword === 1,
        })),
        200,
      )
    })
    .post(
      '/',
      describeOperation(
        'Creates an account and a one-time code to set its password.',
        { 201: 'The id, the code and when it expires.' },
        [400, 409],
      ),
      valid('json', newBody),
      async (c) => {
        if (!door) return c.json(noDoor, 409)
        const { signIn, ...person } = c.req.valid('json')
        const email = mailboxOf(signIn)
        const clash = await takenBy(db, { email, initials: person.initials })
        if (clash) return c.json(taken[clash], 409)
        const made = await insertPerson(db, { ...person, email })
        return c.json({ id: made.id, ...(await codeOf(made)) }, 201)
      },
    )
    .put(
      '/:id',
      describeOperation(
        'Changes name, initials or role, or deactivates the account and ends its sessions.',
        { 200: 'Changed.' },
        [400, 404, 409],
      ),
      valid('param', idParam),
      valid('json', changeBody),
      async (c) => {
        const { id } = c.req.valid('param')
        const change = c.req.valid('json')
        if (!(await findPerson(db, id))) return c.json(missing, 404)
        const clash = await takenBy(db, { initials: change.initials }, id)
        if (clash) return c.json(taken[clash], 409)
        return (await changePerson(db, id, change))
          ? c.json({ ok: true }, 200)
          : c.json(refusal('role', 'At least one administrator is required. Appoint another first.'), 409)
      },
    )
    .post(
      '/:id/code',
      describeOperation(
        'Creates a one-time code for a lost password.',
        { 200: 'The code and when it expires.' },
        [404, 409],
      ),
      valid('param', idParam),
      async (c) => {
        if (!door) return c.json(noDoor, 409)
        const person = await findPerson(db, c.req.valid('param').id)
        if (!person || person.putAwayAt) return c.json(missing, 404)
        return c.json(await codeOf(person), 200)
      },
    )
    .post(
      '/:id/sign-out',
      describeOperation('Signs a person out everywhere.', { 200: 'Signed out.' }, [404]),
      valid('param', idParam),
      async (c) => {
        const person = await findPerson(db, c.req.valid('param').id)
        if (!person) return c.json(missing, 404)
        await endSessions(db, person.id)
        return c.json({ ok: true }, 200)
      },
    )
}
