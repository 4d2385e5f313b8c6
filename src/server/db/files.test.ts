import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { copyPlant, migrations } from '../../testing/plant'
import { makeDemo } from '../demo/make'
import { plantName } from '../demo/plantName'
import { copies, copyAsked, copyOfTheDay, restore } from './files'
import { checkDemo, markDemo, openStore } from './open'
import { siteSettings } from './revisions'
import { photographs } from './schema'

let folder: string
let file: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  file = join(folder, 'vane-peg.db')
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))

const open = (more: object = {}) => openStore(file, migrations, { whole: true, empty: false, ...more })
const copyFolder = () => join(folder, 'copies')

describe('copies', () => {
  it('asked for by somebody never make room for themselves among those of the days, and the other way round', async () => {
    await copyPlant(file)
    mkdirSync(copyFolder())
    const days = Array.from({ length: 16 }, (_, i) => `vane-peg-2026-10-${String(i + 1).padStart(2, '0')}.db`)
    for (const name of days) writeFileSync(join(copyFolder(), name), 'x')
    for (let i = 0; i < 3; i++) await copyAsked(file)
    const names = () => readdirSync(copyFolder())
    expect(names().filter((name) => days.includes(name))).toHaveLength(16)
    await copyOfTheDay(file)
    // the latest fortnight with today's; what was asked for stays
    expect(names().filter((name) => days.includes(name))).toEqual(days.slice(3))
    expect(names()).toHaveLength(14 + 3)
    for (let i = 0; i < 14; i++)
      writeFileSync(join(copyFolder(), `vane-peg-2026-09-01T10-00-${String(i).padStart(2, '0')}-000Z.db`), 'x')
    await copyAsked(file)
    expect(names().filter((name) => days.includes(name))).toHaveLength(13)
    expect(names()).toHaveLength(14 + 14)
  })

  it('are gone on from with all that they hold, photographs too', async () => {
    await copyPlant(file)
    const store = await open()
    const bytes = new Uint8Array([0xff, 0xd8, 0xff, 1, 2, 3])
    await store.db.insert(photographs).values({ id: 'a'.repeat(64), type: 'image/jpeg', bytes, storedAt: '2026-12-01' })
    const before = await store.db.query.jobs.findMany()
    const copy = join(copyFolder(), (await store.copyNow?.())?.name ?? '')
    await store.db.delete(photographs)
    await store.close()
    await restore(file, copy)
    const again = await open()
    expect(await again.db.query.jobs.findMany()).toEqual(before)
    expect((await again.db.query.photographs.findFirst())?.bytes).toEqual(bytes)
    await again.close()
    expect(readdirSync(folder).some((name) => name.includes('.aside-'))).toBe(true)
  })

  it('that cannot be gone on from leave everything where it is', async () => {
    await copyPlant(file)
    const before = readFileSync(file)
    const copy = await copyAsked(file)
    // there is no room for the copy: its place is taken by a folder
    mkdirSync(`${file}.next.part`)
    writeFileSync(join(`${file}.next.part`, 'x'), '')
    await expect(restore(file, copy)).rejects.toThrow()
    await expect(restore(file, join(folder, 'none.db'))).rejects.toThrow(/No backup at/)
    expect(readFileSync(file).equals(before)).toBe(true)
    expect(readdirSync(folder).some((name) => name.includes('.aside-'))).toBe(false)
  })

  it.each([
    ['missing', undefined],
    ['empty', ''],
  ])('beside data that is %s: no empty site begins unasked', async (_, content) => {
    await copyPlant(file)
    const copy = await copyAsked(file)
    rmSync(file)
    if (content !== undefined) writeFileSync(file, content)
    await expect(open()).rejects.toThrow(`start once with --restore ${copy}`)
    expect(copies(file)).toEqual([copy])
    const store = await open({ empty: true })
    expect(await store.db.query.jobs.findMany()).toEqual([])
    await store.close()
  })
})

describe('a site is one, by whatever way it is reached', () => {
  it('a folder or a file reached by a link is held once', async () => {
    const store = await open()
    const linked = join(folder, 'linked')
    symlinkSync(folder, linked)
    symlinkSync(file, join(folder, 'other.db'))
    for (const way of [join(linked, basename(file)), join(folder, 'other.db')])
      await expect(openStore(way, migrations)).rejects.toThrow(/Another Vane Peg server is using this data/)
    await store.close()
    const again = await openStore(join(linked, basename(file)), migrations)
    await again.close()
  })
})

describe('the demo', () => {
  it('begins anew where a demo is, and nowhere else', async () => {
    await checkDemo(file, plantName)
    // a site's own data, whatever it is called
    for (const name of ['vane-peg.db', 'demo.db']) {
      const at = join(folder, name)
      await (await openStore(at, migrations)).close()
      const before = readFileSync(at)
      await expect(checkDemo(at, plantName)).rejects.toThrow(/is no demo, and the demo would throw it away/)
      expect(readFileSync(at).equals(before)).toBe(true)
    }
    writeFileSync(join(folder, 'letter.txt'), 'Dear all')
    await expect(checkDemo(join(folder, 'letter.txt'), plantName)).rejects.toThrow(/is no demo/)
    await expect(checkDemo('libsql://data.example', plantName)).rejects.toThrow(/never in a database elsewhere/)
    // one of before the mark, by its name and its plant
    const old = join(folder, 'old', 'demo.db')
    await copyPlant(old)
    await checkDemo(old, plantName)
    const marked = join(folder, 'marked.db')
    const store = await openStore(marked, migrations)
    await makeDemo(store.db)
    await markDemo(store.client)
    expect((await siteSettings(store.db)).name).toBe(plantName)
    await store.close()
    await checkDemo(marked, plantName)
    expect(existsSync(marked)).toBe(true)
  })
})
