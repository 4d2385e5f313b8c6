import '../core/kinds/all'
import '../words/all'
import { readFileSync } from 'node:fs'
import { solveAsLeft } from '../planner/solveAsLeft'
import { verifyRevision } from '../record/revision'
import { sha256 } from '../server/sha256'
import { sayVerified, verifyFaultTexts } from '../words/verify'

/**
 * `verify FILE`: whether an exported revision is as it was signed. "-" is standard input.
 * Exit 0: unchanged. 1: changed, or no revision. 2: the file cannot be read. One line each.
 */
async function main(args: readonly string[]): Promise<number> {
  const [file, ...more] = args
  if (file === undefined || more.length > 0 || (file.startsWith('-') && file !== '-')) {
    process.stderr.write('usage: verify FILE ("-" is standard input)\n')
    return 2
  }
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    process.stderr.write(`${file}: ${error instanceof Error ? error.message : String(error)}\n`)
    return 2
  }
  const found = await verifyRevision(text, { hash: sha256, solve: solveAsLeft })
  if (found.ok) process.stdout.write(`${sayVerified(found.revision, found.solvedAgain, found.exact)}\n`)
  else process.stderr.write(`${file}: ${verifyFaultTexts[found.fault]}\n`)
  return found.ok ? 0 : 1
}

process.exitCode = await main(process.argv.slice(2))
