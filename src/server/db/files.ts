import { existsSync, mkdirSync, readdirSync, realpathSync, renameSync, rmSync, statSync } from 'node:fs'
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
          ? `Last good backup: ${good}. To restore it, start once with --restore ${good}. The current file is kept.`
          : 'No usable backup found.',
      ].join(' '),
    )
  }
}

/** The address of a database file, whatever letters its path has. */
export const fileUrl = (file: string): string => `file:${resolve(file).split('/').map(encodeURIComponent).join('/')}`

/** How many copies of the days are kept, and how many of those that somebody asked for. */
const kept = { daily: 14, asked: 14 }

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
  if (said !== 'ok') throw new Error(`Backup failed: ${said}`)
  renameSync(`${to}.part`, to)
}

/** The copy of the day, unless it is there; the oldest beyond a fortnight go. */
export async function copyOfTheDay(file: string): Promise<void> {
  const to = join(copiesOf(file), `${basename(file, '.db')}-${stamp().slice(0, 10)}.db`)
  if (!existsSync(to)) await copyTo(file, to)
  letGo(file, 'daily')
}

/** A copy asked for by somebody, beside those of the days. @returns where it is */
export async function copyAsked(file: string): Promise<string> {
  const to = join(copiesOf(file), `${basename(file, '.db')}-${stamp()}.db`)
  await copyTo(file, to)
  letGo(file, 'asked')
  return to
}

/** Lets the oldest copies of a kind go: those of one kind never make room for those of the other. */
function letGo(file: string, kind: keyof typeof kept): void {
  const daily = (copy: string) => /-\d{4}-\d\d-\d\d\.db$/.test(copy)
  const alike = copies(file).filter((copy) => dirname(copy) === copiesOf(file) && daily(copy) === (kind === 'daily'))
  for (const old of alike.slice(kept[kind])) rmSync(old, { force: true })
}

/**
 * Looks whether a site would begin with nothing although there are copies of what it had.
 *
 * @throws StartFault that names the latest copy
 */
export function checkNotLost(file: string): void {
  if (existsSync(file) && statSync(file).size > 0) return
  const [latest] = copies(file)
  if (!latest) return
  throw new StartFault(
    `No data at ${file}, but there are backups of it. To restore the latest, start once with --restore ${latest}. To begin an empty site, start once with --empty.`,
  )
}

/** The file itself, where a path leads to it by a link: one file is held by one server, by whatever way it is reached. */
export function realFile(file: string): string {
  try {
    return realpathSync(file)
  } catch {
    const folder = dirname(resolve(file))
    return existsSync(folder) ? join(realpathSync(folder), basename(file)) : resolve(file)
  }
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

/** Puts a copy in the database's place; what was there is kept aside. Nothing is moved before the copy is there, whole. */
export async function restore(file: string, copy: string): Promise<void> {
  if (!existsSync(copy)) throw new StartFault(`No backup at ${copy}.`)
  const said = await askChild('check', fileUrl(copy))
  if (said !== 'ok') throw new StartFault(`Backup ${copy} is damaged too (${said}).`)
  const next = `${file}.next`
  try {
    await copyTo(copy, next)
  } catch (error) {
    throw new StartFault(`${error instanceof Error ? error.message : error} Nothing was changed.`)
  }
  const aside = `${file}.aside-${stamp()}`
  for (const end of ['', '-wal', '-shm']) if (existsSync(`${file}${end}`)) renameSync(`${file}${end}`, `${aside}${end}`)
  renameSync(next, file)
}
