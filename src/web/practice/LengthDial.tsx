import { DialFace } from './DialFace'
import type { Lengths } from './lengths'

/** One turn of the needle: a hundred lines of a hundredth of a millimeter, or of a thousandth of an inch. mm */
const turn = { mm: 1, mil: 2.54 } as const

/** A dial on a machine, of the sort that is read in the unit shown: half in at nought. */
export function LengthDial({ mm, label, lengths }: { mm: number; label: string; lengths: Lengths }) {
  const turns = mm / turn[lengths.unit]
  return <DialFace needle={turns} turns={5 + turns} whole={10} label={label} />
}
