import { useOutletContext } from 'react-router'
import type { AnyJob, AnyRound, KindName } from '../../../core/kinds'
import type { Terms } from '../../../words/terms'
import type { Settings } from '../../app/settings'
import type { FindingItem } from '../../say/FindingsPanel'

/** What the frame of a job hands to its steps; a kind of line adds to it what its own steps need. */
export interface JobFrame<K extends KindName = KindName> {
  id: string
  /** The line it is a visit to. */
  lineId: string
  number: number
  /** It was put away and is not on the Floor. */
  archived: boolean
  document: AnyJob<K>
  round: AnyRound<K>
  terms: Terms
  settings: Settings
  /** A signed job is read only. */
  frozen: boolean
  /** It is signed; a job may be frozen without that, for a reader. */
  signed: boolean
  edit: (change: (job: AnyJob<K>) => AnyJob<K>, mark?: string) => void
  editRound: (change: (round: AnyRound<K>) => AnyRound<K>, mark?: string) => void
  /** Stores everything that is typed; the version that is then stored, or nothing where it could not be. */
  settle: () => Promise<number | undefined>
  /** Begins a round with the same set-up; `done`: what becomes of the round before it. */
  beginRound: (done?: (round: AnyRound<K>) => AnyRound<K>, begin?: (fresh: AnyRound<K>) => AnyRound<K>) => void
  /** What earlier steps left open and later ones keep on top: cautions, soft foot. */
  reminders: readonly FindingItem[]
  /** What the readings ask of the feet, for Seat; absent where nothing is known of it. */
  seating?: Seating | undefined
}

/** What is known of the feet beyond how they sit. Lengths in mm. */
export interface Seating {
  /** How much the alignment wants each station of feet raised. */
  wanted: ReadonlyMap<string, number>
  /** The offset allowed at a machine's coupling. */
  allowed: (machine: string) => number | undefined
  /** The machine to begin with: one that is moved. */
  first: string | undefined
}

export const useJobFrame = (): JobFrame => useOutletContext<JobFrame>()
