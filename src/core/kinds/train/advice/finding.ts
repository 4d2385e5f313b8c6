import type { Plane } from '../../../quantity/axis'
import type { Lack, Trouble } from '../../../quantity/trouble'
import type { Doubt } from '../../../shafts/doubt'
import type { ReadSet } from '../../../shafts/schema'
import type { ProbeState } from '../../../shafts/state'
import type { Suspect } from '../../../shafts/suspects'
import type { LimitMissing } from '../../../verdict/limits'
import type { VerdictState } from '../../../verdict/state'
import type { Seen, Verdict } from '../../../verdict/verdict'
import type { DimensionDoubt } from '../document/doubts'
import type { DimensionFault } from '../document/stations'
import type { FootSolution } from '../solve/solve'
import type { OutOfProportion } from './proportion'

export type Step = 'read' | 'move'

/** One thing worth saying about a job, as data; `src/words` makes the sentence. Lengths in mm, slopes in rad. */
export type Finding =
  | { kind: 'dimension-fault'; peg: 'outside'; fault: DimensionFault }
  | { kind: 'dimension-doubt'; peg: 'outside'; doubt: DimensionDoubt }
  | { kind: 'not-a-number'; peg: 'outside'; dial: ProbeState; angleId: string; trouble: Trouble }
  | { kind: 'not-closed'; peg: 'outside'; dial: ProbeState; closure: number; suspects: readonly Suspect[] }
  | { kind: 'not-returned'; peg: 'outside'; dial: ProbeState; by: number }
  | { kind: 'closed'; peg: 'within'; dial: ProbeState; closure: number }
  | { kind: 'not-fitting'; peg: 'outside'; coupling: string; squares: number; free: number; suspects: SuspectedProbe[] }
  | {
      kind: 'sets-disagree'
      peg: 'outside'
      coupling: string
      by: number
      explained: boolean
      set?: ReadSet
      dial?: ProbeState
    }
  | { kind: 'range'; peg: 'outside'; dial: ProbeState; used: number; travel: number }
  | { kind: 'swing'; peg: 'unsure'; dial: ProbeState; swing: number; travel: number }
  | { kind: 'no-radius'; peg: 'unsure'; dial: ProbeState }
  | { kind: 'no-plus'; peg: 'outside'; dial: ProbeState }
  | { kind: 'one-shaft'; peg: 'unsure' | 'within'; dial: ProbeState; swing: number | undefined }
  | { kind: 'span-differs'; peg: 'unsure'; dial: ProbeState; here: number; taken: number }
  | { kind: 'dial-differs'; peg: 'unsure'; dial: ProbeState; here: string; taken: string }
  | { kind: 'preset-as-zero'; peg: 'unsure'; dial: ProbeState; angleId: string }
  | { kind: 'out-of-proportion'; peg: 'unsure'; dial: ProbeState; odd: OutOfProportion }
  | { kind: 'short-arc'; peg: 'unsure'; set: ReadSet; arc: number; sd: number; whole: number }
  | {
      kind: 'improve'
      peg: 'nothing'
      dial: ProbeState
      degrees: number
      again: boolean
      before: number
      after: number
    }
  | { kind: 'floated'; peg: 'within'; set: ReadSet; most: number }
  | { kind: 'rough-sweep'; peg: 'unsure'; dial: ProbeState; rough: number; sd: number }
  | { kind: 'sag-upward'; peg: 'unsure'; dial: ProbeState }
  /** Nought on top and at a side, and not closed: perhaps zeroed once more for sideways. */
  | { kind: 'zeroed-twice'; peg: 'unsure'; dial: ProbeState }
  | { kind: 'sag-missing'; peg: 'unsure'; dial: ProbeState }
  /** Only read coupled up: nothing is planned from it until somebody says so. */
  | { kind: 'engaged'; peg: 'unsure'; coupling: string; accepted: string | undefined }
  | {
      kind: 'as-coupled'
      peg: VerdictState
      coupling: string
      set: ReadSet
      purpose: 'closed' | 'running'
      verdict: Verdict | undefined
      lines: VerdictLine[]
      doubts: readonly Doubt[]
      /** As the verdict's own; undefined where nothing can be told. */
      seen: { cold: Seen; running: Seen | undefined } | undefined
    }
  | { kind: 'unsolved'; peg: 'nothing'; coupling: string; lack: Lack }
  | { kind: 'one-plane'; peg: 'unsure'; coupling: string; plane: Plane }
  | { kind: 'no-limits'; peg: 'nothing'; coupling: string; missing: readonly LimitMissing[] }
  | {
      kind: 'verdict'
      peg: 'within' | 'unsure' | 'outside'
      coupling: string
      verdict: Verdict
      lines: VerdictLine[]
      doubts: readonly Doubt[]
      /** As read cold; and as it runs, which is what is judged, where growth is given. */
      cold: Seen
      running: Seen | undefined
    }
  | { kind: 'feet'; peg: 'within' | 'unsure' | 'outside'; machine: string; feet: FootSolution[] }
  | { kind: 'next-reading'; peg: 'nothing'; dial: ProbeState; angleId: string; degrees: number }
  | { kind: 'ready-to-move'; peg: 'nothing' }
  | { kind: 'no-move'; peg: 'within' }
  | { kind: 'read-again'; peg: 'nothing'; dials: readonly ProbeState[] }
  | { kind: 'lock-before-loosening'; peg: 'outside' }

/** A slip, and the probe it would be on. */
export interface SuspectedProbe {
  dial: ProbeState
  suspect: Suspect
}

/** What the verdict was passed on, a plane. */
export interface VerdictLine {
  plane: Plane
  offset: number
  offsetSd: number
  slope: number
  slopeSd: number
}
