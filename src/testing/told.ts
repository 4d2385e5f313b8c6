import { provedOf } from '../core/job/proved'
import { summarize } from '../core/job/summary'
import { type AnyJob, kindOf } from '../core/kinds'
import { findingsFor as beltFindings } from '../core/kinds/belt/advice/findings'
import { solveRound as solveBelt } from '../core/kinds/belt/solve/round'
import { findingsFor as boreFindings } from '../core/kinds/bore/advice/findings'
import { solveRound as solveBore } from '../core/kinds/bore/solve/round'
import { findingsFor as rollsFindings } from '../core/kinds/rolls/advice/findings'
import { solveRound as solveRolls } from '../core/kinds/rolls/solve/round'
import { findingsFor as uprightFindings } from '../core/kinds/upright/advice/findings'
import { solveRound as solveUpright } from '../core/kinds/upright/solve/round'
import { nothingSaid } from '../core/prove/schema'
import { readyState } from '../core/ready/ready'
import type { Block } from '../record/blocks'
import { readingCells, stationCells } from '../record/cells'
import { readingSheetOf } from '../record/readingSheet'
import { recordOf } from '../record/record'
import { say as sayBelt } from '../words/belt/findings'
import { say as sayBore } from '../words/bore/findings'
import { sayNext } from '../words/next'
import { proofTerms, sayOpen, sayProof } from '../words/prove'
import { sayReady } from '../words/ready'
import { say as sayRolls } from '../words/rolls/findings'
import type { Message } from '../words/said'
import { say as sayUpright } from '../words/upright/findings'
import { everythingSaid } from './everythingSaid'

/** Every sentence of a printed page, its tables cell by cell. */
const printed = (blocks: readonly Block[]): string[] =>
  blocks.flatMap((block): string[] => {
    switch (block.kind) {
      case 'list':
        return block.items.map(({ peg = '', text }) => `${peg} ${text}`)
      case 'table':
        return [block.title, block.head.join(' | '), ...block.rows.map((row) => row.join(' | '))]
      case 'drawing':
        return [block.title, ...block.scene.spots.map(({ label }) => label)]
      case 'signatures':
        return block.lines.map(({ title, by }) => `${title}: ${by}`)
      case 'verdict':
        return [`${block.peg} ${block.text}`]
      default:
        return 'text' in block ? [block.text] : []
    }
  })

/** What the steps Read and Move say of each round. */
function advised(job: AnyJob, unit: 'mm' | 'mil'): Message[] {
  const steps = ['read', 'move'] as const
  switch (job.line.kind) {
    case 'upright': {
      const { line } = job
      return (job as AnyJob<'upright'>).rounds.flatMap((round) => {
        const solved = solveUpright(line, round)
        return steps.flatMap((step) =>
          uprightFindings(solved, step).map((one) => sayUpright(one, { line, unit, resolution: solved.resolution })),
        )
      })
    }
    case 'belt': {
      const { line } = job
      return (job as AnyJob<'belt'>).rounds.flatMap((round) => {
        const solved = solveBelt(line, round)
        const [stays] = line.sheaves
        return steps.flatMap((step) =>
          (stays ? beltFindings(solved, stays, step) : []).map((one) =>
            sayBelt(one, { line, unit, resolution: solved.resolution }, solved.limit),
          ),
        )
      })
    }
    case 'bore': {
      const { line } = job
      return (job as AnyJob<'bore'>).rounds.flatMap((round) => {
        const solved = solveBore(line, round)
        return steps.flatMap((step) =>
          boreFindings(solved, line, step).map((one) =>
            sayBore(one, { line, unit, resolution: solved.resolution }, solved.limit),
          ),
        )
      })
    }
    case 'rolls': {
      const { line } = job
      return (job as AnyJob<'rolls'>).rounds.flatMap((round) => {
        const solved = solveRolls(line, round)
        return steps.flatMap((step) =>
          rollsFindings(solved, line, step).map((one) =>
            sayRolls(one, { line, unit, resolution: solved.resolution, width: solved.width ?? 1000 }),
          ),
        )
      })
    }
    default:
      return []
  }
}

/**
 * Everything that is said of a job of any kind, on its screens and on its printed pages, in the order it is said.
 *
 * @param brief without what stands in tables
 */
export function toldOf(document: AnyJob, unit: 'mm' | 'mil', brief = false): string[] {
  const job = { number: 7, document }
  const { proof } = provedOf(document)
  const terms = proofTerms(document.line, { unit, resolution: 0.01 })
  const said: Message[] = [
    ...advised(document, unit),
    ...sayReady(readyState(document, kindOf({ kind: document.line.kind }).checks), terms),
    sayProof(proof, document.proof ?? nothingSaid, terms),
    ...proof.open.map((one) => sayOpen(one, terms)),
  ]
  return [
    sayNext(summarize(document)),
    ...said.flatMap(({ title, detail = '', caution = '', working = [] }) => [title, detail, caution, ...working]),
    ...(document.line.kind === 'train' ? everythingSaid(document as AnyJob<'train'>, unit).texts : []),
    ...printed(recordOf(job, { unit }).blocks.filter(({ kind }) => !brief || kind !== 'table')),
    ...(brief ? [] : printed(readingSheetOf(job, undefined, { unit }).blocks)),
    ...(brief ? [] : [...stationCells(document, unit), ...readingCells(document, unit)].map((row) => row.join(' | '))),
  ].map((text) => text.trim())
}
