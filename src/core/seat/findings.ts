import type { Trouble } from '../quantity/trouble'
import type { SeatCure } from './cure'
import type { SeatFinding } from './diagnose'
import type { SeatState } from './state'

/** One thing worth saying about how the machines sit, as data. Lengths in mm. */
export type SeatAdvice =
  | { kind: 'seat-lock'; peg: 'outside' }
  | { kind: 'seat-fault'; peg: 'outside'; foot: string; trouble: Trouble }
  | { kind: 'seat-next'; peg: 'nothing'; state: SeatState; foot: string; left: number }
  | { kind: 'seat-found'; peg: 'outside' | 'unsure' | 'within'; state: SeatState; finding: SeatFinding; first: boolean }
  | { kind: 'seat-cure'; peg: 'outside'; state: SeatState; cure: SeatCure; turn: Turn; one: boolean }
  | { kind: 'seat-clean'; peg: 'outside'; foot: string; turn: Turn }
  | { kind: 'seat-unsettled'; peg: 'unsure'; feet: readonly string[] }
  | { kind: 'seat-shift'; peg: 'unsure' | 'outside'; state: SeatState; shift: number; allowed: number | undefined }
  | { kind: 'seat-guide'; peg: 'unsure' }
  | { kind: 'seat-snug'; peg: 'outside'; foot: string; shim: number }
  | { kind: 'seat-tighten'; peg: 'nothing'; state: SeatState }
  | { kind: 'seat-again'; peg: 'nothing'; state: SeatState }

/** Where an act stands in the order it is done in, foot by foot. */
export type Turn = 'only' | 'first' | 'next'

const turnOf = (i: number, all: number): Turn => (all === 1 ? 'only' : i === 0 ? 'first' : 'next')

/**
 * What to say of one machine's feet, most urgent first.
 *
 * @param allowed offset allowed at its coupling, mm, where known
 */
export function seatFindings(state: SeatState, allowed: number | undefined): SeatAdvice[] {
  const found: SeatAdvice[] = [{ kind: 'seat-lock', peg: 'outside' }]
  for (const { foot, trouble } of state.faults) found.push({ kind: 'seat-fault', peg: 'outside', foot, trouble })
  const [next] = state.missing
  if (next) found.push({ kind: 'seat-next', peg: 'nothing', state, foot: next, left: state.missing.length })
  for (const one of state.snug) found.push({ kind: 'seat-snug', peg: 'outside', ...one })
  if (state.pass === 'loose' && !next) found.push({ kind: 'seat-tighten', peg: 'nothing', state })
  state.findings.forEach((finding, i) => {
    const peg = finding.kind === 'clean' ? 'within' : i === 0 ? 'outside' : 'unsure'
    found.push({ kind: 'seat-found', peg, state, finding, first: i === 0 })
    if (i > 0) return
    state.cure.forEach((cure, k) => {
      const turn = turnOf(k, state.cure.length)
      found.push({ kind: 'seat-cure', peg: 'outside', state, cure, turn, one: finding.kind === 'rocking' })
    })
    if (finding.kind === 'springy')
      finding.feet.forEach((foot, k) => {
        found.push({ kind: 'seat-clean', peg: 'outside', foot, turn: turnOf(k, finding.feet.length) })
      })
  })
  if (state.guided) found.push({ kind: 'seat-guide', peg: 'unsure' })
  const [first] = state.findings
  if (first && first.unsettled.length > 0 && first.kind !== 'strain')
    found.push({ kind: 'seat-unsettled', peg: 'unsure', feet: first.unsettled })
  if (first && first.kind !== 'clean' && state.shift !== undefined && Math.abs(state.shift) >= 0.005)
    found.push({
      kind: 'seat-shift',
      peg: allowed !== undefined && Math.abs(state.shift) > allowed ? 'outside' : 'unsure',
      state,
      shift: state.shift,
      allowed,
    })
  if (first && first.kind !== 'clean' && state.pass === 'before')
    found.push({ kind: 'seat-again', peg: 'nothing', state })
  return found
}
