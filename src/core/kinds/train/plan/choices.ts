import type { FootFacts } from '../../../least/facts'
import { parseNumber } from '../../../quantity/number'
import { quantityMm } from '../../../quantity/quantity'
import { packMm } from '../../../shims/stock'
import type { Job, Round, RoundPlan } from '../document/schema'
import type { JobSolution } from '../solve/round'

/** What people chose and typed of a plan, as the arithmetic takes it. */

export const emptyPlan = (): RoundPlan => ({ stays: 'fixed', limits: {}, packs: {}, stock: {} })

/** Half the tolerance: room for the doubt of the readings and the rounding of the shims. */
export const usualMargin = 0.5

/** The share of the tolerance that least moves may leave. */
export function marginOf(plan: RoundPlan | undefined): number {
  const typed = parseNumber((plan?.margin ?? '').replace('%', ''))
  return typed.ok ? Math.min(1, Math.max(0, typed.value / 100)) : usualMargin
}

export function mostShimsOf(plan: RoundPlan | undefined): number {
  const typed = parseNumber(plan?.mostShims ?? '')
  return typed.ok && typed.value >= 1 ? Math.min(8, Math.floor(typed.value)) : 4
}

/** Shims under a foot: as typed here, else as Seat found them last. */
export function presentPack(job: Pick<Job, 'seat'>, plan: RoundPlan | undefined, machine: string, foot: string) {
  const typed = packMm(plan?.packs[foot])
  if (typed) return typed
  const seat = job.seat?.[machine]
  for (const pass of ['after', 'before', 'loose'] as const) {
    const found = seat?.[pass][foot]
    const pack = found && packMm({ text: found.pack, unit: found.rise.unit })
    if (pack) return pack
  }
  return undefined
}

/** Shims nobody counted are not taken out from under the machine that stays: what lies there may be nothing. */
export const untouched = (facts: FootFacts, stays: boolean): FootFacts =>
  stays && !facts.pack ? { ...facts, limits: { ...facts.limits, down: 0 } } : facts

/** What is known of every station beyond its place: typed limits, and the thinner of its two packs. */
export function factsOf(job: Pick<Job, 'line' | 'seat'>, round: Round): Map<string, FootFacts> {
  const { plan } = round
  return new Map(
    job.line.machines.flatMap((machine) =>
      machine.feet.map((foot): [string, FootFacts] => {
        const typed = plan?.limits[foot.id]
        const limits = Object.fromEntries(
          (['down', 'up', 'near', 'far'] as const).flatMap((way) => {
            const mm = quantityMm(typed?.[way])
            return mm === undefined ? [] : [[way, Math.max(0, mm)]]
          }),
        )
        const packs = (['near', 'far'] as const).flatMap((side) => {
          const pack = presentPack(job, plan, machine.id, `${foot.id}.${side}`)
          return pack ? [pack] : []
        })
        const total = (pack: readonly number[]) => pack.reduce((sum, size) => sum + size, 0)
        const thinner = packs.sort((a, b) => total(a) - total(b))[0]
        const stays = machine.id === job.line.fixed && (plan?.stays ?? 'fixed') !== 'fixed'
        return [foot.id, untouched({ limits, ...(thinner ? { pack: thinner } : {}) }, stays)]
      }),
    ),
  )
}

/** Stations of the first and the last foot of the train: where a drawn line is held by its ends. */
export function trainEnds({ train }: Pick<JobSolution, 'train'>): [number, number] {
  const places = train.machines.flatMap(({ feet }) => feet.map(({ x }) => x))
  const [from, to] = [Math.min(...places), Math.max(...places)]
  return to > from ? [from, to] : [from, from + 1]
}

/** A foot's limits, with no more to take out than lies under it. */
export function downBy(facts: FootFacts | undefined): FootFacts['limits'] {
  if (!facts?.pack) return facts?.limits
  const under = facts.pack.reduce((sum, size) => sum + size, 0)
  return { ...facts.limits, down: Math.min(facts.limits?.down ?? under, under) }
}
