import { emptyQuantity, quantityFault, quantityMm } from '../quantity/quantity'
import type { Trouble } from '../quantity/trouble'
import type { Unit } from '../quantity/units'
import { type CautionId, type CheckItem, cautions, checkItems, type Occasion } from './catalog'
import type { Ready } from './schema'

type Check = Ready['checks'][string]

export const emptyReady = (): Ready => ({
  occasion: 'after-overhaul',
  permit: '',
  cautions: {},
  checks: {},
  rough: {},
})

export const emptyCheck = (unit: Unit): Check => ({
  outcome: '',
  value: emptyQuantity(unit),
  note: '',
  by: '',
  at: '',
})

/** How one check stands. */
export interface CheckState {
  id: string
  /** Text of a check of the line's own. */
  own?: string
  limit: number | undefined
  measured: boolean
  maker: CheckItem['maker']
  /** What it should be by the maker, mm; off by at most `limit`. */
  about: number | undefined
  value: number | undefined
  /** over: measured beyond the limit, whatever was ticked. unreasoned: skipped without saying why. */
  state: 'open' | 'good' | 'bad' | 'over' | 'skipped' | 'unreasoned'
  fault: Trouble | undefined
}

export interface ReadyState {
  occasion: Occasion
  /** Nothing at all was entered yet. */
  untouched: boolean
  openCautions: CautionId[]
  checks: CheckState[]
  /** What two run-out readings together say: the hub is off, or the shaft is bent. */
  runOut: { kind: 'hub' | 'shaft'; hub: number; shaft: number } | undefined
}

/** What Ready asks of a job: what was entered, and the line's own checks. */
export interface ReadyAsked {
  ready?: Ready | undefined
  line: { checks?: readonly { id: string; text: string }[] | undefined }
}

/** How far the work before the first reading has come. Checks entered on another occasion stay listed. */
export function readyState(job: ReadyAsked, items: readonly CheckItem[] = checkItems): ReadyState {
  const ready = job.ready ?? emptyReady()
  const listed = items.filter((item) => item.on.includes(ready.occasion) || ready.checks[item.id]?.outcome)
  const checks = [
    ...listed.map((item) => checkState(item, ready.checks[item.id])),
    ...(job.line.checks ?? []).map((own) => ({
      ...checkState({ id: own.id, measured: false }, ready.checks[own.id]),
      own: own.text,
    })),
  ]
  return {
    occasion: ready.occasion,
    untouched: Object.keys(ready.cautions).length === 0 && Object.keys(ready.checks).length === 0,
    openCautions: cautions.filter((id) => !ready.cautions[id]),
    checks,
    runOut: runOutOf(checks),
  }
}

function checkState(item: Omit<CheckItem, 'on'>, check: Check | undefined): CheckState {
  const { id, measured, maker } = item
  const value = quantityMm(check?.value)
  const said = quantityMm(check?.maker)
  const about = maker === 'about' ? said : undefined
  const limit = maker === 'about' ? quantityMm(check?.plusMinus) : maker === 'most' ? said : item.limit
  const judged = maker !== 'about' || about !== undefined
  const over = judged && limit !== undefined && value !== undefined && Math.abs(value - (about ?? 0)) > limit + 1e-9
  const outcome = check?.outcome || 'open'
  const state = over ? 'over' : outcome === 'skipped' && !check?.note.trim() ? 'unreasoned' : outcome
  return { id, limit, measured, maker, about, value, state, fault: quantityFault(check?.value) }
}

/** Run-out at the hub alone: it sits off the shaft. On the shaft as well: the shaft is bent. */
function runOutOf(checks: readonly CheckState[]): ReadyState['runOut'] {
  const of = (id: string) => checks.find((check) => check.id === id)
  const [hub, shaft] = [of('hub-runout'), of('shaft-runout')]
  if (hub?.value === undefined || shaft?.value === undefined) return undefined
  const limit = hub.limit ?? 0
  if (Math.abs(hub.value) <= limit && Math.abs(shaft.value) <= limit) return undefined
  return { kind: Math.abs(shaft.value) > limit / 2 ? 'shaft' : 'hub', hub: hub.value, shaft: shaft.value }
}

/** nothing: untouched. outside: a check is bad. unsure: something is open. within: all is done or skipped for a reason. */
export function readyPeg(
  job: ReadyAsked,
  items: readonly CheckItem[] = checkItems,
): 'nothing' | 'unsure' | 'outside' | 'within' {
  const { untouched, openCautions, checks } = readyState(job, items)
  if (untouched) return 'nothing'
  if (checks.some(({ state }) => state === 'bad' || state === 'over')) return 'outside'
  const open = openCautions.length > 0 || checks.some(({ state }) => state === 'open' || state === 'unreasoned')
  return open ? 'unsure' : 'within'
}
