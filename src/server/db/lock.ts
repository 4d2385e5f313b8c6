import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { hostname } from 'node:os'
import { createClient, type Transaction } from '@libsql/client'
import { fileUrl, StartFault } from './files'

/**
 * Holds a database file for this server alone. The lock is the system's own, on a small file beside the database: it ends
 * with the process however that ends. Other programs may still read the database and copy it.
 *
 * @returns lets go
 * @throws StartFault that says who holds it
 */
export async function holdAlone(file: string): Promise<() => void> {
  const holder = `${file}.held-by`
  const client = createClient({ url: fileUrl(`${file}.lock`) })
  let held: Transaction
  try {
    held = await client.transaction('write')
  } catch {
    client.close()
    throw new StartFault(
      `Another Vane Peg server is using this data${whoHolds(holder)}. Stop it, or use another folder with --data.`,
    )
  }
  writeFileSync(holder, JSON.stringify({ process: process.pid, on: hostname(), since: new Date().toISOString() }))
  return () => {
    rmSync(holder, { force: true })
    held.close()
    client.close()
  }
}

function whoHolds(file: string): string {
  try {
    const { process, on, since } = JSON.parse(readFileSync(file, 'utf8'))
    return ` (process ${process} on ${on}, since ${since})`
  } catch {
    return ''
  }
}
