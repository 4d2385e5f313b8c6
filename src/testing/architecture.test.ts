import { spawnSync } from 'node:child_process'
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, normalize } from 'node:path'
import { describe, expect, it } from 'vitest'
import { kindNames } from '../core/kinds'

/** Every source file of the program, tests and sample data left out. */
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) return files(path)
    return /\.tsx?$/.test(name) && !/\.test\./.test(name) ? [path] : []
  })
const sources = files('src').filter((path) => !/^src\/(testing|server\/demo)\//.test(path))

/** What a file imports of our own, as paths without an ending. */
const importsOf = (path: string): string[] =>
  [...readFileSync(path, 'utf8').matchAll(/(?:from|import)\s*\(?\s*'(\.{1,2}\/[^']*|\.{1,2})'/g)].map(([, to = '']) =>
    normalize(join(dirname(path), to)),
  )

/** The one table a layer has of all kinds. */
const tables = [
  'src/core/kinds/index.ts',
  'src/core/kinds/all.ts',
  'src/core/kinds/surveys.ts',
  'src/core/kinds/tables.ts',
  'src/words/all.ts',
  'src/words/next.ts',
  'src/drawing/index.ts',
  'src/drawing/mini.ts',
  'src/print/index.ts',
  'src/web/kinds/index.ts',
  'src/web/kinds/load.ts',
]

/** The kind in whose folder a path lies, in whatever layer. */
const kindAt = (path: string): string | undefined =>
  path.split('/').find(
    (part, i, parts) =>
      (kindNames as readonly string[]).includes(part) &&
      // a file may be called like a kind: a probe for bores is none
      (i < parts.length - 1 || tables.some((table) => dirname(table) === parts.slice(0, i).join('/'))),
  )

describe('every kind of line keeps to its own rooms', () => {
  it('has a folder in every layer', () => {
    for (const kind of kindNames)
      for (const table of tables) expect(sources.some((path) => path.startsWith(join(dirname(table), kind)))).toBe(true)
  })
  it('is not imported by another kind, nor by anything that all kinds share but the tables', () => {
    const astray = sources.flatMap((path) =>
      importsOf(path)
        .filter((to) => kindAt(to) !== undefined && kindAt(to) !== kindAt(path) && !tables.includes(path))
        .map((to) => `${path} → ${to}`),
    )
    expect(astray).toEqual([])
  })
})

describe('the linter', () => {
  /** What it says of a file of core with these imports; in a folder of its own, so that nothing is planted here. */
  function said(imports: readonly string[]): string {
    const folder = mkdtempSync(join(tmpdir(), 'vane-peg-lint-'))
    try {
      copyFileSync('biome.json', join(folder, 'biome.json'))
      mkdirSync(join(folder, 'src/core/quantity'), { recursive: true })
      const lines = imports.map((module, i) => `import { a${i} } from '${module}'\n`)
      const used = `\nexport const all = [${imports.map((_, i) => `a${i}`).join(', ')}]\n`
      writeFileSync(join(folder, 'src/core/quantity/planted.ts'), lines.join('') + used)
      const biome = join(process.cwd(), 'node_modules/.bin/biome')
      return spawnSync(biome, ['lint', '--max-diagnostics=100', 'src'], { cwd: folder, encoding: 'utf8' }).stderr
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
  }
  const refusals = (text: string) => text.match(/core knows itself, Valibot and the matrix library/g)?.length ?? 0

  it('refuses to let core import anything but itself, Valibot and the matrix library', () => {
    const planted = [
      'date-fns',
      'react',
      'node:fs',
      'nanoid',
      '../../words/terms',
      '../../web/app/newId',
      '../../server/site',
    ]
    for (const one of planted) expect([one, refusals(said([one]))]).toEqual([one, 1])
    expect(refusals(said(['ml-matrix', 'valibot', './axis', '../kinds/train']))).toBe(0)
  }, 60_000)
})

it('shows no part of the page by React’s `lazy`, which holds every chunk back for 300 ms: `part` does not', () => {
  const lazy = (path: string) =>
    /import \{[^}]*\b(lazy|Suspense|use)\b[^}]*\} from 'react'/.test(readFileSync(path, 'utf8'))
  expect(sources.filter(lazy)).toEqual([])
})
