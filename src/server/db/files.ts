import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { basename, dirname, join, resolve } from 'node:path'
import { askChild } from './child'

/** Something the server cannot start with: told in one plain line. */
export class StartFault extends Error {}

/** A database that cannot be trusted, and the last copy that can. */
export class DamagedFault extends StartFault {
  constructor(
    readonly file: string,
    readonly damage: string,
    readonly good: string | undefined,
  ) {
    super(
      [
        `The data in ${file} is damaged (${damage}).`,
        good
          ? `The last good copy is ${good}. To go on from it, start once with --restore ${good}; what is there now is kept aside.`
          : 'There is no good copy of it beside it.',
      ].join(' '),
    )
  }
}

/** The address of a database file, whatever letters its path has. */
export const fileUrl = (file: string): string => `file:${resolve(file).split('/').map(encodeURIComponent).join('/')}`

/** How many daily copies are kept. */
const copiesKept = 14

const copiesOf = (file: string) => join(dirname(file), 'copies')
const stamp = () => new Date().toISOString().replace(/[:.]/g, '-')

/** Copies of a database that there are, the latest first: daily ones, and those made before it changed its shape. */
export function copies(file: string): string[] {
  const name = basename(file, '.db')
  const inFolder = (folder: string, is: (entry: string) => boolean) =>
    existsSync(folder)
      ? readdirSync(folder)
          .filter(is)
          .map((entry) => join(folder, entry))
      : []
  const dayOf = (path: string) => /\d{4}-\d\d-\d\d.*/.exec(basename(path))?.[0] ?? ''
  return [
    ...inFolder(copiesOf(file), (entry) => entry.startsWith(`${name}-`) && entry.endsWith('.db')),
    ...inFolder(dirname(file), (entry) => entry.startsWith(`${basename(file)}.before-`) && !entry.endsWith('.part')),
  ].sort((a, b) => dayOf(b).localeCompare(dayOf(a)))
}

/** Copies a database whole, as it is now, into one file; written aside first, so that half a copy never looks whole. */
export async function copyTo(file: string, to: string): Promise<void> {
  mkdirSync(dirname(to), { recursive: true })
  rmSync(`${to}.part`, { force: true })
  const said = await askChild('copy', fileUrl(file), resolve(`${to}.part`))
  if (said !== 'ok') throw new Error(`The data was not copied: ${said}`)
  renameSync(`${to}.part`, to)
}

/** The copy of the day, unless it is there; the oldest beyond a fortnight go. */
export async function copyOfTheDay(file: string): Promise<void> {
  const folder = copiesOf(file)
  const name = basename(file, '.db')
  const to = join(folder, `${name}-${stamp().slice(0, 10)}.db`)
  if (!existsSync(to)) await copyTo(file, to)
  const daily = copies(file).filter((copy) => dirname(copy) === folder)
  for (const old of daily.slice(copiesKept)) rmSync(old, { force: true })
}

/** A copy asked for by somebody, beside those of the days. @returns where it is */
export async function copyAsked(file: string): Promise<string> {
  const to = join(copiesOf(file), `${basename(file, '.db')}-${stamp()}.db`)
  await copyTo(file, to)
  return to
}

/** A copy as it is told: no path, which is nobody's business but the machine's. */
export interface CopyTold {
  name: string
  bytes: number
  /** ISO date and time. */
  at: string
}

export function tellCopy(path: string): CopyTold {
  const { size, mtime } = statSync(path)
  return { name: basename(path), bytes: size, at: mtime.toISOString() }
}

/** The copy made before a database changes its shape. */
export const copyBefore = (file: string) => copyTo(file, `${file}.before-${stamp()}`)

/**
 * Looks a database over before it is opened, in a process of its own: reading a damaged page can end a process.
 *
 * @throws StartFault that names the damage and the last good copy
 */
export async function checkWhole(file: string): Promise<void> {
  const said = await askChild('check', fileUrl(file))
  if (said === 'ok') return
  throw new DamagedFault(file, said, await lastGood(file))
}

async function lastGood(file: string): Promise<string | undefined> {
  for (const copy of copies(file)) if ((await askChild('check', fileUrl(copy))) === 'ok') return copy
  return undefined
}

/** Puts a copy in the database's place; what was there is kept aside. */
export async function restore(file: string, copy: string): Promise<void> {
  if (!existsSync(copy)) throw new StartFault(`There is no copy at ${copy}.`)
  const said = await askChild('check', fileUrl(copy))
  if (said !== 'ok') throw new StartFault(`The copy ${copy} is damaged as well (${said}).`)
  const aside = `${file}.aside-${stamp()}`
  for (const end of ['', '-wal', '-shm']) if (existsSync(`${file}${end}`)) renameSync(`${file}${end}`, `${aside}${end}`)
  await copyTo(copy, file)
}
