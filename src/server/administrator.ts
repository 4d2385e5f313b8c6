import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { mailboxOf } from './auth/accounts'
import { StartFault } from './db/files'
import { openStore } from './db/open'
import { changePerson, insertPerson, personByMailbox, takenBy } from './db/people'
import { sealTrail } from './db/trail'
import { doorOf } from './start'

const usage = `Create an administrator, or reset a lost password. Stop the server first.

  --sign-in NAME   sign-in name: lower-case letters, digits, dots and dashes
  --name NAME      as it appears in records; needed for a new account
  --initials TEXT  as they appear in records
  --data FOLDER    where the data is ("data"); or --database / DATABASE_URL, a file or an address
`

async function run(): Promise<void> {
  const { values } = parseArgs({
    options: {
      'sign-in': { type: 'string' },
      name: { type: 'string' },
      initials: { type: 'string' },
      data: { type: 'string' },
      database: { type: 'string' },
      help: { type: 'boolean' },
    },
  })
  const { 'sign-in': signIn, name, initials } = values
  if (values.help || !signIn) {
    process.stdout.write(usage)
    return
  }
  const database =
    values.database ?? process.env.DATABASE_URL ?? join(values.data ?? process.env.DATA_FOLDER ?? 'data', 'vane-peg.db')
  const store = await openStore(database, 'src/server/db/migrations')
  try {
    const { db } = store
    const door = await doorOf(database, store, { secure: false, proxied: false, metrics: undefined })
    const email = mailboxOf(signIn)
    const known = await personByMailbox(db, email)
    const asked = { name: name ?? known?.name ?? '', initials: initials ?? known?.initials ?? '' }
    if (asked.name === '') throw new StartFault('--name: enter the administrator’s name.')
    if (await takenBy(db, { initials: asked.initials }, known?.id)) throw new StartFault('--initials: already taken.')
    const person = known
      ? await changePerson(db, known.id, { ...asked, role: 'administrator', putAway: false })
      : await insertPerson(db, { ...asked, role: 'administrator', email })
    if (!person) throw new StartFault('The administrator was not saved.')
    const code = await door.codeFor(person)
    await sealTrail(db)
    process.stdout.write(
      `${person.name} is an administrator. Start the server, open its page and choose a password with\n  sign-in name   ${signIn}\n  one-time code  ${code}\nThe code can be used once, within three days.\n`,
    )
  } finally {
    await store.close()
  }
}

try {
  await run()
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : error}\n`)
  process.exitCode = 1
}
