import { execFile } from 'node:child_process'

/**
 * Work on a database file in a process of its own, so that neither a damaged page nor a long copy stops the server. It
 * says "ok", or what is wrong. Text is looked at letter by letter: the database's driver ends a process that reads text
 * that is none.
 */
const script = `
import { isUtf8 } from 'node:buffer'
import { createClient } from '@libsql/client/sqlite3'
const [, what, url, to] = process.argv
const client = createClient({ url, timeout: 5000 })
const quoted = (name) => '"' + name.replaceAll('"', '""') + '"'
async function check() {
  const said = await client.execute('select cast(quick_check as blob) as said from pragma_quick_check(1)')
  const first = Buffer.from(said.rows[0].said).toString('latin1')
  if (first !== 'ok') return first
  const tables = await client.execute(
    // tables of our own: those that an index of words is kept in are made from them
    "select name from pragma_table_list where schema = 'main' and type = 'table' and not wr and name not like 'sqlite%'",
  )
  for (const { name } of tables.rows) {
    const columns = await client.execute('select name from pragma_table_info(' + "'" + name.replaceAll("'", "''") + "')")
    for (const { name: column } of columns.rows) {
      let from = 0
      for (;;) {
        const { rows } = await client.execute({
          sql: 'select rowid as at, cast(' + quoted(column) + ' as blob) as text from ' + quoted(name) +
            ' where rowid > ? and typeof(' + quoted(column) + ") = 'text' order by rowid limit 200",
          args: [from],
        })
        for (const { at, text } of rows) {
          if (!isUtf8(Buffer.from(text))) return 'unreadable text in row ' + at + ' of ' + name
          from = Number(at)
        }
        if (rows.length === 0) break
      }
    }
  }
  return 'ok'
}
const copy = async () => {
  await client.execute({ sql: 'VACUUM INTO ?', args: [to] })
  return 'ok'
}
try {
  process.stdout.write(await (what === 'check' ? check() : copy()))
} catch (error) {
  process.stdout.write(String(error.message))
}
`

const oneLine = (said: string) =>
  said
    .replace(/\*\*\*.*?\*\*\*/g, '')
    .replace(/\s+/g, ' ')
    .trim()

/** Asks a process of its own to check the database at an address, or to copy it into a file. "ok", or what is wrong. */
export function askChild(what: 'check' | 'copy', url: string, to = ''): Promise<string> {
  return new Promise((answer) => {
    execFile(
      process.execPath,
      ['--input-type=module', '--eval', script, what, url, to],
      { maxBuffer: 1 << 20 },
      (error, said) => answer(oneLine(said) || (error ? 'it can’t be read' : 'no answer')),
    )
  })
}
