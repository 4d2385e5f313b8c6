import { createReadStream } from 'node:fs'
import { createInterface } from 'node:readline'
import { text } from 'node:stream/consumers'
import type { Checked } from '../core/quantity/fault'
import { solveDocument } from '../planner/solveDocument'
import type { Streams } from './streams'

/**
 * `solve FILE` → one result on standard output; `solve --ndjson FILE` → one result a line. "-" is standard input.
 *
 * @returns the exit code. 0: solved. 2: bad input, one line on standard error.
 */
export async function solveCommand(args: readonly string[], streams: Streams): Promise<number> {
  const lines = args.includes('--ndjson')
  const files = args.filter((arg) => arg !== '--ndjson')
  const file = files[0]
  if (file === undefined || files.length > 1 || (file.startsWith('-') && file !== '-')) {
    streams.errors.write('usage: solve [--ndjson] FILE ("-" is standard input)\n')
    return 2
  }
  const input = file === '-' ? streams.input : createReadStream(file)
  try {
    return lines ? await solveLines(input, streams) : await solveOne(input, streams)
  } catch (error) {
    if (!(error instanceof Error && 'code' in error)) throw error
    streams.errors.write(`${file}: cannot be read (${String(error.code)})\n`)
    return 2
  }
}

async function solveText(json: string): Promise<Checked<object>> {
  let document: unknown
  try {
    document = JSON.parse(json)
  } catch (error) {
    return { ok: false, fault: { path: '', message: `not JSON: ${error instanceof Error ? error.message : error}` } }
  }
  return solveDocument(document)
}

async function solveOne(input: NodeJS.ReadableStream, { output, errors }: Streams): Promise<number> {
  const solved = await solveText(await text(input))
  if (solved.ok) {
    output.write(`${JSON.stringify(solved.value, null, 2)}\n`)
    return 0
  }
  const { path, message } = solved.fault
  errors.write(`${path || 'document'}: ${message.replace(/\s*\n\s*/g, ' ')}\n`)
  return 2
}

async function solveLines(input: NodeJS.ReadableStream, { output }: Streams): Promise<number> {
  let line = 0
  let exit = 0
  for await (const json of createInterface({ input, crlfDelay: Infinity })) {
    line++
    if (json.trim() === '') continue
    const solved = await solveText(json)
    if (!solved.ok) exit = 2
    const out = solved.ok ? solved.value : { format: 'vane-peg.error', line, ...solved.fault }
    if (!output.write(`${JSON.stringify(out)}\n`)) await new Promise((done) => output.once('drain', done))
  }
  return exit
}
