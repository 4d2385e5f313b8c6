// Breaks the program on purpose, one small change at a time, and counts how many of them the tests notice, room by room.
//
//   node scripts/mutants.mjs [--count 60] [--seed 20261125] [--rooms core,server] [--again]
//
// `--count`: so many in each room. `--again` tries only those that went unnoticed the last time, and counts them in with the rest.
// A change that makes a test run out of time counts as neither noticed nor unnoticed.
//
// What is changed: signs and operators, comparisons turned round, conditions forced, numbers, minimum for maximum, sine
// for cosine, a call of `Math.abs` left out. Not changed: documents' schemas, catalogs of names, the worked case and the
// exact rig (the tests' own yardstick). `<` for `<=` is left out: two measured numbers are never exactly equal.
import { fork } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, normalize, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { parseSync } from 'vite'

const root = join(dirname(fileURLToPath(import.meta.url)), '..')
const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '60' },
    seed: { type: 'string', default: '20261125' },
    rooms: { type: 'string', default: 'core,planner,words,server,notebook' },
    out: { type: 'string', default: 'test-results/mutants.json' },
    again: { type: 'boolean', default: false },
  },
})
const patience = 180_000

/** What is broken, and which tests are asked whether they notice: those of screens and of the real page take too long for it. */
const rooms = {
  core: { files: /^src\/core\//, tests: /^src\/(core|words|drawing|planner|print)\// },
  planner: { files: /^src\/(planner|core\/(least|shims|kinds\/\w+\/plan))\//, tests: /^src\/(core|words|planner)\// },
  words: { files: /^src\/(words|print)\//, tests: /^src\/(words|print|drawing|server\/report)\// },
  server: { files: /^src\/(server|cli)\/(?!demo\/)/, tests: /^src\/(server|cli)\// },
  notebook: { files: /^src\/web\/(notebook|tablet)\//, tests: /^src\/web\/(notebook|tablet)\// },
}

/** Numbers from a seed, the same on every machine (mulberry32). */
function seeded(seed) {
  let a = seed >>> 0
  return () => {
    a = (a + 0x6d2b79f5) >>> 0
    let t = Math.imul(a ^ (a >>> 15), 1 | a)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

const swaps = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '+=': '-=',
  '<': '>=',
  '<=': '>',
  '>': '<=',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
}
const calls = { min: 'max', max: 'min', sin: 'cos', cos: 'sin', floor: 'ceil', ceil: 'floor' }
const isText = ({ type, value }) => type === 'TemplateLiteral' || (type === 'Literal' && typeof value === 'string')

/** Every change that could be made in a file. */
function changesIn(file) {
  const text = originals.get(file)
  const { program } = parseSync(file, text)
  const found = []
  const put = (start, end, to) =>
    found.push({ file, start, end, line: text.slice(0, start).split('\n').length, from: text.slice(start, end), to })
  const of = ({ start, end }) => text.slice(start, end)
  const visit = (node) => {
    if (Array.isArray(node)) return node.forEach(visit)
    if (typeof node?.type !== 'string' || /^TS|^Import/.test(node.type)) {
      // what stands inside `x as T` and `x!` is looked at all the same
      if (/^TS(As|NonNull|Satisfies)/.test(node?.type ?? '')) visit(node.expression)
      return
    }
    const { start, end } = node
    switch (node.type) {
      case 'BinaryExpression':
      case 'LogicalExpression':
      case 'AssignmentExpression': {
        const to = swaps[node.operator]
        // a plus between texts joins them
        if (!to || (node.operator === '+' && (isText(node.left) || isText(node.right)))) break
        const at = text.indexOf(node.operator, node.left.end)
        put(at, at + node.operator.length, to)
        break
      }
      case 'UnaryExpression':
        if (node.operator === '-' && node.argument.type !== 'Literal') put(start, end, of(node.argument))
        if (node.operator === '!') put(start, end, `(${of(node.argument)})`)
        break
      case 'ConditionalExpression':
        put(node.test.start, node.test.end, 'true')
        put(node.test.start, node.test.end, 'false')
        break
      case 'IfStatement':
        put(node.test.start, node.test.end, 'false')
        break
      case 'Literal':
        if (typeof node.value === 'number') put(start, end, node.value === 0 ? '1' : `(${of(node)} * 1.5)`)
        break
      case 'CallExpression':
        if (node.callee.type === 'MemberExpression' && node.callee.object.name === 'Math') {
          const { property } = node.callee
          if (calls[property.name]) put(property.start, property.end, calls[property.name])
          if (property.name === 'abs') put(start, end, `(${of(node.arguments[0])})`)
        }
    }
    for (const [key, child] of Object.entries(node))
      if (child && typeof child === 'object' && key !== 'typeAnnotation' && key !== 'typeArguments') visit(child)
  }
  visit(program.body)
  return found
}

/** Which files every test reads, straight or through others. */
function readersOf(tests) {
  const imports = new Map()
  const of = (file) => {
    if (!imports.has(file)) {
      const text = readFileSync(join(root, file), 'utf8')
      imports.set(
        file,
        [...text.matchAll(/(?:from|import)\s*\(?'(\.[^']+)'/g)].flatMap(([, to]) => {
          const at = normalize(join(dirname(file), to))
          return [`${at}.ts`, `${at}.tsx`, `${at}/index.ts`].filter((one) => sources.has(one))
        }),
      )
    }
    return imports.get(file)
  }
  return new Map(
    tests.map((test) => {
      const seen = new Set([test])
      for (const file of seen) for (const next of of(file)) seen.add(next)
      return [test, seen]
    }),
  )
}

const sources = new Set(
  readdirSync(join(root, 'src'), { recursive: true })
    .filter((file) => /\.tsx?$/.test(file))
    .map((file) => join('src', file)),
)
const tests = [...sources].filter((file) => /\.test\.tsx?$/.test(file) && !/\.screen\./.test(file)).sort()
const readers = readersOf(tests)
const spared = /\.test\.tsx?$|\/schema\.ts$|\/catalog\.ts$|\/caseA\.ts$|src\/core\/rig\/|\/migrations?\//
const named = values.rooms.split(',')
/** The room a file is in; where it fits two, the narrower, which stands later. */
const roomOf = (file) => named.findLast((room) => rooms[room].files.test(file))
const files = [...sources].filter((file) => /\.ts$/.test(file) && roomOf(file) && !spared.test(file)).sort()
const originals = new Map(files.map((file) => [file, readFileSync(join(root, file), 'utf8')]))
const all = files.flatMap(changesIn)
const random = seeded(Number(values.seed))
const drawn = all.map((change) => ({ change, at: random() })).sort((a, b) => a.at - b.at)
const chosen = named.flatMap((room) =>
  drawn
    .filter(({ change }) => roomOf(change.file) === room)
    .slice(0, Number(values.count))
    .map(({ change }) => change),
)

const last = values.again ? JSON.parse(readFileSync(join(root, values.out), 'utf8')) : undefined
const key = ({ file, start, to }) => `${file} ${start} ${to}`
const left = new Set(last?.survived.map(key))
const tried = last ? all.filter((change) => left.has(key(change))) : chosen
// what cannot be tried again, since its file has changed, still counts as unnoticed
const there = new Set(tried.map(key))
const lost = (last?.survived ?? []).filter((change) => !there.has(key(change)))

const copy = mkdtempSync(join(tmpdir(), 'vane-peg-mutants-'))
const typed = readdirSync(root).filter((name) => name.startsWith('tsconfig.'))
for (const name of ['src', 'docs', 'package.json', ...typed])
  cpSync(join(root, name), join(copy, name), { recursive: true })
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))

/** Tests nearest first: a change is most often noticed by the tests beside it; the long ones come last. */
const near = (file, test) =>
  (test.includes('anyJob') ? 100 : 0) + relative(dirname(file), dirname(test)).split('/').length

let child
const begin = () => {
  child = fork(join(root, 'scripts/mutantRunner.mjs'), [copy], {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    detached: true,
  })
}
const end = () => {
  try {
    process.kill(-child.pid, 'SIGKILL')
  } catch {
    // it has ended by itself
  }
}
const ask = (message, most = patience) =>
  new Promise((answer) => {
    const late = setTimeout(() => done('timeout'), most)
    const done = (said) => {
      clearTimeout(late)
      child.off('message', done)
      child.off('exit', died)
      answer(said)
    }
    const died = () => done('died')
    child.on('message', done)
    child.on('exit', died)
    child.send(message)
  })
process.on('exit', () => {
  end()
  rmSync(copy, { recursive: true, force: true })
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1))

process.stdout.write(
  `${all.length} changes possible in ${files.length} files; ${tried.length} tried, seed ${last?.seed ?? values.seed}\n`,
)
begin()
// a test that fails before anything is broken would notice everything
const sound = await ask({ file: tests[0], specs: tests }, 6 * patience)
if (sound !== 'passed') {
  process.stdout.write(`The tests do not pass as they are (${sound}): nothing can be counted.\n`)
  process.exit(2)
}
const survived = [...lost]
const counts = last?.counts ?? Object.fromEntries(named.map((room) => [room, { noticed: 0, unnoticed: 0, neither: 0 }]))
if (last) for (const { file } of tried) counts[roomOf(file)].unnoticed--
for (const [i, change] of tried.entries()) {
  // now and then nothing is broken at all, and nothing may be noticed
  if (i % 40 === 20 && (await ask({ file: change.file, specs: tests.slice(0, 6) })) !== 'passed') {
    process.stdout.write('Something was noticed where nothing is broken: nothing can be counted.\n')
    process.exit(2)
  }
  const { file, start, end: stop, line, from, to } = change
  const room = roomOf(file)
  // as it was when the copy was made: work may go on beside it
  const text = originals.get(file)
  const specs = tests
    .filter((test) => rooms[room].tests.test(test) && readers.get(test).has(file))
    .sort((a, b) => near(file, a) - near(file, b))
  writeFileSync(join(copy, file), text.slice(0, start) + to + text.slice(stop))
  const said = specs.length > 0 ? await ask({ file, specs }) : 'passed'
  writeFileSync(join(copy, file), text)
  const late = said === 'timeout' || said === 'died'
  if (late) {
    end()
    begin()
  }
  counts[room][late ? 'neither' : said === 'passed' ? 'unnoticed' : 'noticed']++
  if (said === 'passed') survived.push(change)
  process.stdout.write(
    `${String(i + 1).padStart(4)} ${said === 'passed' ? 'SURVIVED' : said.padEnd(8)} ${file}:${line}  ${from.replace(/\s+/g, ' ').slice(0, 60)}  →  ${to.replace(/\s+/g, ' ').slice(0, 60)}\n`,
  )
}
const rateOf = ({ noticed, unnoticed }) => noticed / Math.max(1, noticed + unnoticed)
const sum = (what) => Object.values(counts).reduce((all, count) => all + count[what], 0)
const together = { noticed: sum('noticed'), unnoticed: sum('unnoticed'), neither: sum('neither') }
mkdirSync(join(root, 'test-results'), { recursive: true })
writeFileSync(
  join(root, values.out),
  JSON.stringify({ seed: last?.seed ?? values.seed, counts, rate: rateOf(together), survived }, null, 2),
)
for (const [room, count] of [...Object.entries(counts), ['together', together]])
  process.stdout.write(
    `${room.padEnd(10)} noticed ${count.noticed} of ${count.noticed + count.unnoticed} (${(100 * rateOf(count)).toFixed(0)} %), out of time ${count.neither}\n`,
  )
process.exit(rateOf(together) >= 0.85 ? 0 : 1)
