import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import Database from 'libsql'

/** A value as the protocol has it. */
type Value =
  | { type: 'null' }
  | { type: 'integer'; value: string }
  | { type: 'float'; value: number }
  | { type: 'text'; value: string }
  | { type: 'blob'; base64: string }

interface Stmt {
  sql?: string
  sql_id?: number
  args?: Value[]
  named_args?: { name: string; value: Value }[]
}

type Cond =
  | { type: 'ok' | 'error'; step: number }
  | { type: 'not'; cond: Cond }
  | { type: 'and' | 'or'; conds: Cond[] }
  | { type: 'is_autocommit' }

type Ask =
  | { type: 'execute'; stmt: Stmt }
  | { type: 'batch'; batch: { steps: { stmt: Stmt; condition?: Cond }[] } }
  | { type: 'sequence'; sql: string }
  | { type: 'store_sql'; sql_id: number; sql: string }
  | { type: 'close_sql'; sql_id: number }
  | { type: 'close' | 'get_autocommit' }

const taken = (value: Value): unknown => {
  switch (value.type) {
    case 'null':
      return null
    case 'integer':
      return BigInt(value.value)
    case 'blob':
      return Buffer.from(value.base64, 'base64')
    default:
      return value.value
  }
}

const given = (value: unknown): Value => {
  if (value === null || value === undefined) return { type: 'null' }
  if (typeof value === 'bigint') return { type: 'integer', value: String(value) }
  if (typeof value === 'number') return { type: 'float', value }
  if (typeof value === 'string') return { type: 'text', value }
  return { type: 'blob', base64: Buffer.from(value as Uint8Array).toString('base64') }
}

/**
 * A small stand-in for a libSQL server: the open protocol over HTTP, as far as a client needs it that closes each stream in the
 * request that opened it. Requests are answered one after the other, each from a connection of its own.
 *
 * @param file where the data is; `:memory:` would be another one for every request
 * @param token what a client has to send, if anything
 */
export async function libsqlStandIn(file: string, token?: string) {
  const counts = { requests: 0 }
  const answer = (asks: readonly Ask[]) => {
    const db = new Database(file)
    const texts = new Map<number, string>()
    const run = ({ sql, sql_id, args = [], named_args = [] }: Stmt) => {
      const statement = db.prepare(sql ?? texts.get(sql_id ?? -1) ?? '')
      statement.safeIntegers(true)
      let reads = true
      try {
        statement.raw(true)
      } catch {
        reads = false
      }
      const bound =
        named_args.length > 0
          ? Object.fromEntries(named_args.map(({ name, value }) => [name.replace(/^[:@$]/, ''), taken(value)]))
          : args.map(taken)
      if (!reads) {
        const { changes, lastInsertRowid } = statement.run(bound)
        return { cols: [], rows: [], affected_row_count: changes, last_insert_rowid: String(lastInsertRowid) }
      }
      const cols = statement.columns().map(({ name }: { name: string }) => ({ name }))
      const rows = (statement.all(bound) as unknown[][]).map((row) => row.map(given))
      return { cols, rows, affected_row_count: 0 }
    }
    const batch = (steps: { stmt: Stmt; condition?: Cond }[]) => {
      const results: unknown[] = []
      const errors: unknown[] = []
      const holds = (cond: Cond): boolean => {
        if (cond.type === 'ok') return Boolean(results[cond.step])
        if (cond.type === 'error') return Boolean(errors[cond.step])
        if (cond.type === 'not') return !holds(cond.cond)
        if (cond.type === 'and') return cond.conds.every(holds)
        if (cond.type === 'or') return cond.conds.some(holds)
        return !db.inTransaction
      }
      steps.forEach(({ stmt, condition }, i) => {
        results[i] = errors[i] = null
        if (condition && !holds(condition)) return
        try {
          results[i] = run(stmt)
        } catch (error) {
          errors[i] = faultOf(error)
        }
      })
      return { type: 'batch', result: { step_results: results, step_errors: errors } }
    }
    const one = (ask: Ask): object => {
      switch (ask.type) {
        case 'execute':
          return { type: 'execute', result: run(ask.stmt) }
        case 'batch':
          return batch(ask.batch.steps)
        case 'sequence':
          db.exec(ask.sql)
          return { type: 'sequence' }
        case 'store_sql':
          texts.set(ask.sql_id, ask.sql)
          return { type: 'store_sql' }
        case 'get_autocommit':
          return { type: 'get_autocommit', is_autocommit: !db.inTransaction }
        default:
          return { type: ask.type }
      }
    }
    try {
      db.exec('PRAGMA busy_timeout = 5000')
      return asks.map((ask) => {
        try {
          return { type: 'ok', response: one(ask) }
        } catch (error) {
          return { type: 'error', error: faultOf(error) }
        }
      })
    } finally {
      db.close()
    }
  }
  const server = createServer(async (request, response) => {
    const end = (status: number, body: object) =>
      response.writeHead(status, { 'Content-Type': 'application/json' }).end(JSON.stringify(body))
    if (token && request.headers.authorization !== `Bearer ${token}`) return end(401, { message: 'no token' })
    if (request.method !== 'POST' || request.url !== '/v2/pipeline') return end(404, { message: 'nothing here' })
    const chunks: Buffer[] = []
    for await (const chunk of request) chunks.push(chunk as Buffer)
    counts.requests++
    const { requests } = JSON.parse(Buffer.concat(chunks).toString('utf8')) as { requests: Ask[] }
    return end(200, { baton: null, base_url: null, results: answer(requests) })
  })
  const first = new Database(file)
  first.exec('PRAGMA journal_mode = WAL')
  first.close()
  const listen = (port: number) => new Promise<void>((ready) => server.listen(port, '127.0.0.1', ready))
  await listen(0)
  const { port } = server.address() as AddressInfo
  return {
    url: `http://127.0.0.1:${port}`,
    /** After a stop. */
    again: () => listen(port),
    counts,
    stop: () => {
      server.closeAllConnections()
      return new Promise<void>((done) => server.close(() => done()))
    },
  }
}

const faultOf = (error: unknown) => {
  const { message, code } = error as { message: string; code?: string }
  return { message, ...(code ? { code } : {}) }
}
