import { eq } from 'drizzle-orm'
import { nanoid } from 'nanoid'
import { initialsKey, mayAs, type Role } from '../../core/people/roles'
import type { Database } from '../db/open'
import { findPerson, passwordHash, personByInitials, personByMailbox } from '../db/people'
import { codes } from '../db/schema'
import { type Act, accountsChanged, inTheNameOf, noted } from '../db/trail'
import { mailboxOf, type Person } from './accounts'
import { type Auth, makeAuth } from './auth'
import { Throttle } from './throttle'

/** What an answer of the library's sets in the browser. */
const cookiesOf = (answer: Response): string[] => answer.headers.getSetCookie()

/** How long it is remembered who a cookie is, ms. */
const remembered = 10_000

/** The door of a site on a network: who may come in, and who signs. */
export class AuthService {
  private readonly auth: Auth
  private readonly throttle = new Throttle()
  private readonly known = new Map<string, { person: Person; until: number; accounts: number }>()

  /**
   * @param ways.secure the page comes by HTTPS: cookies only then
   * @param ways.proxied what asks is told by a proxy in front of this server
   * @param ways.shared other servers may change accounts in the same database: nothing is remembered
   * @param ways.metrics what monitoring sends to be told what the server counts; nobody but administrators where it is not given
   */
  constructor(
    private readonly db: Database,
    readonly ways: {
      secret: string
      secure: boolean
      proxied: boolean
      metrics: string | undefined
      shared?: boolean
    },
  ) {
    this.auth = makeAuth(db, ways)
  }

  /**
   * Whoever sent these headers; undefined where nobody is signed in, or not any more. On a database of this server's own an
   * answer holds for some seconds, unless anything about anybody's account or session changes.
   */
  async who(headers: Headers): Promise<Person | undefined> {
    const cookie = headers.get('cookie')
    if (!cookie) return undefined
    const known = this.known.get(cookie)
    if (known && known.until > Date.now() && known.accounts === accountsChanged(this.db)) return known.person
    const accounts = accountsChanged(this.db)
    const person = await this.found(headers)
    if (this.known.size > 2000) this.known.clear()
    if (person && !this.ways.shared) this.known.set(cookie, { person, until: Date.now() + remembered, accounts })
    return person
  }

  private async found(headers: Headers): Promise<Person | undefined> {
    const found = await this.auth.auth.api.getSession({ headers })
    if (!found || found.user.putAwayAt) return undefined
    const { id, name, initials, role } = found.user
    return { id, name, initials, role: role as Role }
  }

  /**
   * Signs in. What this browser was signed in as before ends.
   *
   * @returns the cookies of a new session; undefined where name or password is wrong
   * @throws TooOften
   */
  async signIn(signIn: string, password: string, from: { address: string; headers: Headers }) {
    const email = mailboxOf(signIn)
    return this.throttle.one(email, from.address, async () => {
      const known = await personByMailbox(this.db, email)
      // one that was put away takes as long to be refused as any other
      const tried = !known || known.putAwayAt ? nanoid(48) : password
      const answer = await this.auth.auth.api.signInEmail({ body: { email, password: tried }, asResponse: true })
      if (!answer.ok || !known) {
        if (known) await noted(this.db, { act: 'not let in', kind: 'person', of: known.id })
        return undefined
      }
      await this.signOut(from.headers)
      await this.note(known, 'signed in')
      return { cookies: cookiesOf(answer), person: known }
    })
  }

  /** Ends the session of these headers, if any. @returns what takes the cookie away */
  async signOut(headers: Headers): Promise<string[]> {
    const person = await this.who(headers)
    const answer = await this.auth.auth.api.signOut({ headers, asResponse: true })
    if (person) await this.note(person, 'signed out')
    return cookiesOf(answer)
  }

  /** A one-time code with which somebody chooses a password. */
  async codeFor(person: { id: string; email: string }): Promise<string> {
    await noted(this.db, { act: 'given a code', kind: 'person', of: person.id })
    return this.auth.codeFor(person)
  }

  /**
   * Takes a one-time code: the password is set, every session from before ends, and no other code of theirs holds any more.
   *
   * @returns false where the code is not theirs, was used, or is too old
   * @throws TooOften
   */
  async claim(signIn: string, code: string, password: string, address: string): Promise<boolean> {
    const email = mailboxOf(signIn)
    const taken = await this.throttle.one(email, address, async () => {
      const known = await personByMailbox(this.db, email)
      const { internalAdapter } = await this.auth.auth.$context
      const found = await internalAdapter.findVerificationValue(`reset-password:${code}`)
      if (!known || known.putAwayAt || found?.value !== known.id) return undefined
      try {
        await this.auth.auth.api.resetPassword({ body: { token: code, newPassword: password } })
      } catch {
        return undefined
      }
      await this.db.delete(codes).where(eq(codes.value, known.id))
      await this.note(known, 'code used')
      return true
    })
    return taken === true
  }

  /**
   * Changes somebody's own password; they stay signed in here alone.
   *
   * @returns the cookies of the new session; undefined where the old one is wrong
   * @throws TooOften
   */
  async changePassword(
    person: Person,
    asked: { old: string; next: string },
    from: { address: string; headers: Headers },
  ) {
    return this.throttle.one(`password ${person.id}`, from.address, async () => {
      const answer = await this.auth.auth.api.changePassword({
        body: { currentPassword: asked.old, newPassword: asked.next, revokeOtherSessions: true },
        headers: from.headers,
        asResponse: true,
      })
      if (!answer.ok) return undefined
      await noted(this.db, { act: 'changed', kind: 'person', of: person.id, more: { what: 'password' } })
      return cookiesOf(answer)
    })
  }

  /** Whether a password is somebody's. @throws TooOften */
  async isPassword(person: Person, password: string, address: string): Promise<boolean> {
    const right = await this.throttle.one(`password ${person.id}`, address, async () => {
      const hash = await passwordHash(this.db, person.id)
      return hash && (await this.isOf(hash, password)) ? true : undefined
    })
    return right === true
  }

  /** A PIN or password as it is kept. */
  async hashed(secret: string): Promise<string> {
    return (await this.auth.auth.$context).password.hash(secret)
  }

  private async isOf(hash: string, password: string): Promise<boolean> {
    return (await this.auth.auth.$context).password.verify({ hash, password })
  }

  /**
   * Who signs an act with initials and PIN, whoever the tablet is signed in as.
   *
   * @returns undefined where the initials are nobody's, the PIN is wrong, or they may not sign
   * @throws TooOften
   */
  async signer(initials: string, pin: string, needed: Role, address: string): Promise<Person | undefined> {
    return this.throttle.one(`pin ${initialsKey(initials)}`, address, async () => {
      const known = await personByInitials(this.db, initials)
      if (!known?.pin || known.putAwayAt || !mayAs(known.role, needed) || !(await this.isOf(known.pin, pin))) {
        if (known) await noted(this.db, { act: 'wrong PIN', kind: 'person', of: known.id })
        return undefined
      }
      return known
    })
  }

  /** What somebody sees of their own account. */
  async own({ id, name, initials, role }: Person) {
    const known = await findPerson(this.db, id)
    return { id, name, initials, role, hasPin: Boolean(known?.pin) }
  }

  private note = (person: { id: string; name: string }, act: Act['act']) =>
    inTheNameOf(person, () => noted(this.db, { act, kind: 'person', of: person.id }))
}
