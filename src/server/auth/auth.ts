import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import type { Database } from '../db/open'
import { codes, credentials, people, sessions } from '../db/schema'
import { codeHolds, passwordLength } from './accounts'

/** How long somebody stays signed in on a machine that is used, seconds: acts that count are signed with a PIN besides. */
const signedInFor = 14 * 24 * 3600
/**
 * Accounts, sessions and one-time codes, by a library. Nothing of it is served as it is: the routes of the door call what they
 * need of it.
 *
 * @param secret signs the cookies
 * @param secure cookies only where the page came by HTTPS
 */
export function makeAuth(db: Database, { secret, secure }: { secret: string; secure: boolean }) {
  /** A code on its way from the library to the administrator who asked for it. */
  const given = new Map<string, (code: string) => void>()
  const auth = betterAuth({
    appName: 'Vane Peg',
    baseURL: 'http://localhost',
    secret,
    database: drizzleAdapter(db, {
      provider: 'sqlite',
      schema: { user: people, session: sessions, account: credentials, verification: codes },
    }),
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: passwordLength.min,
      maxPasswordLength: passwordLength.max,
      resetPasswordTokenExpiresIn: codeHolds,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: async ({ user, token }) => given.get(user.id)?.(token),
    },
    user: {
      additionalFields: {
        role: { type: 'string', input: false },
        initials: { type: 'string', input: false },
        initialsKey: { type: 'string', input: false, required: false, returned: false },
        pin: { type: 'string', input: false, required: false, returned: false },
        putAwayAt: { type: 'string', input: false, required: false },
      },
    },
    session: { expiresIn: signedInFor, updateAge: 24 * 3600, cookieCache: { enabled: false } },
    verification: { storeIdentifier: 'hashed' },
    advanced: {
      cookiePrefix: 'vane-peg',
      useSecureCookies: secure,
      defaultCookieAttributes: { httpOnly: true, sameSite: 'strict', secure },
    },
    // our own, by account and by address: the library's knows neither which account nor a socket's address
    rateLimit: { enabled: false },
    telemetry: { enabled: false },
    logger: { disabled: true },
  })
  return {
    auth,
    /** A one-time code with which somebody chooses a password; those given before still hold until one is used. */
    async codeFor({ id, email }: { id: string; email: string }): Promise<string> {
      const code = new Promise<string>((take) => given.set(id, take))
      try {
        await auth.api.requestPasswordReset({ body: { email } })
        return await code
      } finally {
        given.delete(id)
      }
    },
  }
}

export type Auth = ReturnType<typeof makeAuth>
