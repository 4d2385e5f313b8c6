import type { Ready } from './schema'

export type Occasion = Ready['occasion']

/** What must be safe before anyone touches the machine; each is signed with initials and time. */
export const cautions = ['isolated', 'tried', 'stored', 'coupling', 'lifting', 'pinch', 'hot', 'hands'] as const
export type CautionId = (typeof cautions)[number]

/** A check before the first reading. */
export interface CheckItem {
  id: string
  /** What may be measured at most, mm; absent where there is nothing to measure or the maker says how much. */
  limit?: number
  /** Has a measured value. */
  measured: boolean
  /** The maker says how much: the most it may be, or what it should be, give or take. */
  maker?: 'most' | 'about'
  /** The occasions it is proposed on. */
  on: readonly Occasion[]
}

const always: readonly Occasion[] = ['new-set', 'after-overhaul', 'vibration', 'periodic']
const opened: readonly Occasion[] = ['new-set', 'after-overhaul']
const notPeriodic: readonly Occasion[] = ['new-set', 'after-overhaul', 'vibration']

/** In the order they are done. Limits are usual ones; a maker's figure wins. */
export const checkItems: readonly CheckItem[] = [
  { id: 'base', measured: false, on: notPeriodic },
  { id: 'shims', measured: false, on: always },
  { id: 'foundation', measured: false, on: notPeriodic },
  { id: 'shaft-runout', measured: true, limit: 0.05, on: notPeriodic },
  { id: 'hub-runout', measured: true, limit: 0.05, on: notPeriodic },
  { id: 'face-runout', measured: true, limit: 0.05, on: opened },
  { id: 'hub-separation', measured: true, maker: 'about', on: opened },
  { id: 'float', measured: true, maker: 'about', on: opened },
  { id: 'bearings', measured: true, maker: 'most', on: notPeriodic },
  { id: 'piping', measured: true, limit: 0.05, on: notPeriodic },
  { id: 'jack-bolts', measured: false, on: always },
  { id: 'which-moves', measured: false, on: opened },
]

/** Whether the coupling may stay engaged: for a look at a running installation, never for planning a move. */
export const mayStayEngaged = (occasion: Occasion): boolean => occasion === 'vibration' || occasion === 'periodic'
