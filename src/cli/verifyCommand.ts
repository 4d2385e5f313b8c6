import { readFileSync } from 'node:fs'
import { text } from 'node:stream/consumers'
import { solveAsLeft } from '../planner/solveAsLeft'
import { verifyRevision } from '../record/revision'
import { sha256 } from '../server/sha256'
import { sayVerified, verifyFaultTexts } from '../words/verify'
import type { Streams } from './streams'

/**
 * `verify FILE`: whether an exported revision is as it was signed. "-" is standard input.
 *
 * @returns the exit code. 0: unchanged. 1: changed, or no revision. 2: the file cannot be read. One line each.
 */
export async function verifyCommand(args: readonly string[], { input, output, errors }: Streams): Promise<number> {
  const [file, ...more] = args
  if (file === undefined || more.length > 0 || (file.startsWith('-') && file !== '-')) {
    errors.write('usage: verify FILE ("-" is standard input)\n')
    return 2
  }
  let revision: string
  try {
    revision = file === '-' ? await text(input) : readFileSync(file, 'utf8')
  } catch (error) {
    errors.write(`${file}: ${error instanceof Error ? error.message : String(error)}\n`)
    return 2
  }
  const found = await verifyRevision(revision, { hash: sha256, solve: solveAsLeft })
  if (found.ok) output.write(`${sayVerified(found.revision, found.solvedAgain, found.exact)}\n`)
  else errors.write(`${file}: ${verifyFaultTexts[found.fault]}\n`)
  return found.ok ? 0 : 1
}
