import { getConnInfo } from '@hono/node-server/conninfo'
import { type Context, Hono } from 'hono'
import * as v from 'valibot'
import { passwordLength, signInOf } from '../auth/accounts'
import type { Asked } from '../auth/admitted'
import type { AuthService } from '../auth/service'
import { TooOften } from '../auth/throttle'
import { endSessions, findPerson, setPin } from '../db/people'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { refusal, valid } from './answers'

const signInName = v.pipe(v.string(), v.trim(), v.nonEmpty('Enter your sign-in name.'), v.maxLength(60))
const password = v.pipe(v.string(), v.maxLength(passwordLength.max))
const newPassword = v.pipe(
  password,
  v.minLength(passwordLength.min, `A password of at least ${passwordLength.min} characters`),
)
const signInBody = v.strictObject({ signIn: signInName, password })
const claimBody = v.strictObject({
  signIn: signInName,
  code: v.pipe(v.string(), v.trim(), v.maxLength(60)),
  password: newPassword,
})
const passwordBody = v.strictObject({ old: password, next: newPassword })
const pinBody = v.strictObject({
  password,
  pin: v.pipe(v.string(), v.regex(/^\d{4,12}$/, 'A PIN has 4 to 12 digits')),
})

const wrong = refusal('password', 'Wrong name or password.')
const noDoor = refusal('', 'This server has no accounts: it serves its own machine only.')

/** Where a request comes from; nothing where it came over no wire. */
export function addressOf(c: Context, door: AuthService): string {
  // the last one is the proxy's own word; those before it are whatever was sent
  if (door.ways.proxied) return c.req.header('x-forwarded-for')?.split(',').at(-1)?.trim() ?? ''
  try {
    return getConnInfo(c).remote.address ?? ''
  } catch {
    return ''
  }
}

/** Too many tries, as an answer that names the field; what is something else is thrown on. */
export function tooOften(c: Context, error: unknown, path = '') {
  if (!(error instanceof TooOften)) throw error
  return c.json(refusal(path, error.message), 429, { 'Retry-After': String(Math.ceil(error.seconds)) })
}

const withCookies = (c: Context, cookies: readonly string[]) => {
  for (const cookie of cookies) c.header('Set-Cookie', cookie, { append: true })
}

/** Signing in and out, one-time codes, the own password and PIN. */
export const doorRoutes = ({ store: { db }, door }: Site) =>
  new Hono<Asked>()
    .get(
      '/',
      describeOperation('Whether accounts are required, and who is signed in.', {
        200: 'The setting, and the person or null.',
      }),
      async (c) => {
        const person = await door?.who(c.req.raw.headers)
        return c.json({ door: door !== undefined, person: door && person ? await door.own(person) : null }, 200)
      },
    )
    .post(
      '/sign-in',
      describeOperation('Signs in with name and password.', { 200: 'Who is signed in.' }, [400, 401, 409, 429]),
      valid('json', signInBody),
      async (c) => {
        if (!door) return c.json(noDoor, 409)
        const { signIn, password } = c.req.valid('json')
        try {
          const done = await door.signIn(signIn, password, { address: addressOf(c, door), headers: c.req.raw.headers })
          if (!done) return c.json(wrong, 401)
          withCookies(c, done.cookies)
          return c.json({ person: await door.own(done.person) }, 200)
        } catch (error) {
          return tooOften(c, error)
        }
      },
    )
    .post(
      '/claim',
      describeOperation(
        'Sets a password with a one-time code. Ends all earlier sessions.',
        { 200: 'Whether it was accepted.' },
        [400, 401, 409, 429],
      ),
      valid('json', claimBody),
      async (c) => {
        if (!door) return c.json(noDoor, 409)
        const { signIn, code, password } = c.req.valid('json')
        try {
          return (await door.claim(signIn, code, password, addressOf(c, door)))
            ? c.json({ ok: true }, 200)
            : c.json(refusal('code', 'Code invalid, already used or expired. Ask for a new one.'), 401)
        } catch (error) {
          return tooOften(c, error)
        }
      },
    )
    .post('/sign-out', describeOperation('Ends this session.', { 200: 'Ended.' }, [409]), async (c) => {
      if (!door) return c.json(noDoor, 409)
      withCookies(c, await door.signOut(c.req.raw.headers))
      return c.json({ ok: true }, 200)
    })
    .post(
      '/sign-out-everywhere',
      describeOperation('Ends every session of the person signed in.', { 200: 'Ended.' }, [401, 409]),
      async (c) => {
        const person = c.get('person')
        if (!door) return c.json(noDoor, 409)
        if (!person) return c.json(wrong, 401)
        withCookies(c, await door.signOut(c.req.raw.headers))
        await endSessions(db, person.id)
        return c.json({ ok: true }, 200)
      },
    )
    .put(
      '/password',
      describeOperation('Changes your password. Ends your other sessions.', { 200: 'Changed.' }, [400, 401, 409, 429]),
      valid('json', passwordBody),
      async (c) => {
        const person = c.get('person')
        if (!door) return c.json(noDoor, 409)
        if (!person) return c.json(wrong, 401)
        try {
          const from = { address: addressOf(c, door), headers: c.req.raw.headers }
          const cookies = await door.changePassword(person, c.req.valid('json'), from)
          if (!cookies) return c.json(refusal('old', 'Wrong password.'), 400)
          withCookies(c, cookies)
          return c.json({ ok: true }, 200)
        } catch (error) {
          return tooOften(c, error)
        }
      },
    )
    .put(
      '/pin',
      describeOperation('Sets your PIN for signing.', { 200: 'Set.' }, [400, 401, 409, 429]),
      valid('json', pinBody),
      async (c) => {
        const person = c.get('person')
        if (!door) return c.json(noDoor, 409)
        if (!person) return c.json(wrong, 401)
        const { password, pin } = c.req.valid('json')
        try {
          if (!(await door.isPassword(person, password, addressOf(c, door))))
            return c.json(refusal('password', 'Wrong password.'), 400)
        } catch (error) {
          return tooOften(c, error)
        }
        await setPin(db, person.id, await door.hashed(pin))
        return c.json({ ok: true }, 200)
      },
    )

/** The sign-in name of somebody in the database. */
export const signInNameOf = async (db: Site['store']['db'], id: string): Promise<string> =>
  signInOf((await findPerson(db, id))?.email ?? '')
