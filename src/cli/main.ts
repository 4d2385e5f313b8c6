import '../core/kinds/all'
import '../words/all'
import { createReadStream, readFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import type { Checked } from '../core/frame/fault'
import { solveDocument } from '../planner/solveDocument'

/**
 * `solve FILE` → one result on standard output; `solve --ndjson FILE` → one result a line. "-" is standard input.
 * Exit 0: solved. 2: bad input, one line on standard error.
 */
async function main(args: readonly string[]): Promise<number> {
  const lines = args.includes('--ndjson')
  const files = args.filter((arg) => arg !== '--ndjson')
  const file = files[0]
  if (file === undefined || files.length > 1 || (file.startsWith('-') && file !== '-')) {
    process.stderr.write('usage: solve [--ndjson] FILE ("-" is standard input)\n')
    return 2
  }
  try {
    return lines ? await solveLines(file) : await solveOne(file)
  } catch (error) {
    if (!(error instanceof Error && 'code' in error)) throw error
    process.stderr.write(`${file}: cannot be read (${String(error.code)})\n`)
    return 2
  }
}

async function solveText(text: string): Promise<Checked<object>> {
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch (error) {
    return { ok: false, fault: { path: '', message: `not JSON: ${error instanceof Error ? error.message : error}` } }
  }
  return solveDocument(document)
}

async function solveOne(file: string): Promise<number> {
  const solved = await solveText(readFileSync(file === '-' ? 0 : file, 'utf8'))
  if (solved.ok) {
    process.stdout.write(`${JSON.stringify(solved.value, null, 2)}\n`)
    return 0
  }
  const { path, message } = solved.fault
  process.stderr.write(`${path || 'document'}: ${message.replace(/\s*\n\s*/g, ' ')}\n`)
  return 2
}

async function solveLines(file: string): Promise<number> {
  const input = createInterface({ input: file === '-' ? process.stdin : createReadStream(file), crlfDelay: Infinity })
  let line = 0
  let exit = 0
  for await (const text of input) {
    line++
    if (text.trim() === '') continue
    const solved = await solveText(text)
    if (!solved.ok) exit = 2
    const out = solved.ok ? solved.value : { format: 'vane-peg.error', line, ...solved.fault }
    if (!process.stdout.write(`${JSON.stringify(out)}\n`))
      await new Promise((done) => process.stdout.once('drain', done))
  }
  return exit
}

process.exitCode = await main(process.argv.slice(2))
