import { contradicts } from '../../../fit/chiSquare'
import { goesRound, probeKinds } from '../../../probes'
import { arcCovered, foldDegrees } from '../../../quantity/angles'
import { quantityMm } from '../../../quantity/quantity'
import { bestNextReading, wholeTurnSd } from '../../../shafts/next'
import type { ReadSet } from '../../../shafts/schema'
import type { ProbeState } from '../../../shafts/state'
import { only, togetherOf } from '../../../shafts/together'
import { sdMm } from '../../../shafts/typed'
import type { JobSolution } from '../solve/round'
import { opens } from './doubt'
import type { Finding, SuspectedProbe } from './finding'

/** What is odd about how a probe is hung, set or read, beside its readings. */
export function setUpFaults(state: ProbeState): Finding[] {
  const { dial, set } = state
  const found: Finding[] = []
  const read = state.readings.length > 0 || state.sweep !== undefined
  const across = goesRound(dial) ? dial.radius : dial.diameter
  if (probeKinds[dial.type].radius === 'needed' && read && !quantityMm(across))
    found.push({ kind: 'no-radius', peg: 'unsure', dial: state })
  const travel = quantityMm(dial.travel)
  const raws = state.readings.map(({ raw }) => raw)
  const used = raws.length ? Math.max(...raws) - Math.min(...raws) : 0
  if (travel && used > travel) found.push({ kind: 'range', peg: 'outside', dial: state, used, travel })
  else if (travel && state.swing !== undefined && state.swing > 0.8 * travel)
    found.push({ kind: 'swing', peg: 'unsure', dial: state, swing: state.swing, travel })
  if (set.turned === 'one' && read) {
    const swing = quantityMm(dial.runout?.swing)
    found.push({ kind: 'one-shaft', peg: swing === undefined ? 'unsure' : 'within', dial: state, swing })
  }
  const bracket = dial.kit?.bracket
  const here = quantityMm(dial.span)
  const taken = quantityMm(bracket?.span)
  if (bracket && here !== undefined && taken !== undefined && Math.abs(here - taken) > spanTolerance)
    found.push({ kind: 'span-differs', peg: 'unsure', dial: state, here, taken })
  if (bracket?.dial && dial.kit?.dial && bracket.dial !== dial.kit.dial.name)
    found.push({ kind: 'dial-differs', peg: 'unsure', dial: state, here: dial.kit.dial.name, taken: bracket.dial })
  const top = state.readings.find(({ angle }) => angle % 360 === 0)
  if (set.zeroed === 'sag' && top && state.sag !== 0 && Math.abs(top.raw) < state.graduation / 2)
    found.push({ kind: 'preset-as-zero', peg: 'unsure', dial: state, angleId: top.angleId })
  return found
}

/** A sweep whose points stray more than they should, told once a probe. */
export function roughSweeps(solved: JobSolution): Finding[] {
  const worst = new Map<string, { dial: ProbeState; rough: number; sd: number }>()
  for (const dial of solved.dials) {
    const sd = sdMm(dial.dial)
    const rough = dial.sweep?.rough ?? 0
    if (rough > 2 * sd && rough > (worst.get(dial.dial.id)?.rough ?? 0)) worst.set(dial.dial.id, { dial, rough, sd })
  }
  return [...worst.values()].map((one) => ({ kind: 'rough-sweep', peg: 'unsure', ...one }))
}

/** How far a bracket's span may be from the one its sag was taken at, mm. */
const spanTolerance = 10

/** Readings that all close and yet contradict each other, and sets that do not tell the same. */
export function contradictions(solved: JobSolution): Finding[] {
  return solved.solution.couplings.flatMap(({ id, result }, c): Finding[] => {
    const disagree = solved.disagreements.get(id)
    const stateAt = (set: number, probe: number, channel = 0) => {
      const of = solved.sources[c]?.[set]?.dials[probe]
      const states = solved.dials.filter(({ dial }) => dial.id === of?.id)
      return states[channel] ?? states[0]
    }
    const suspected = (solved.suspects.get(id) ?? []).flatMap((suspect): SuspectedProbe[] => {
      const dial = stateAt(suspect.set, suspect.probe, suspect.channel)
      return dial ? [{ dial, suspect }] : []
    })
    const closes = solved.dials.every((dial) => dial.set.coupling !== id || !opens(dial))
    const found: Finding[] = []
    if (result.ok && closes && contradicts(result.fit.left))
      found.push({ kind: 'not-fitting', peg: 'outside', coupling: id, ...result.fit.left, suspects: suspected })
    if (disagree) {
      const set = disagree.set === undefined ? undefined : solved.sources[c]?.[disagree.set]?.set
      const dial = disagree.probe && stateAt(disagree.probe.set, disagree.probe.probe)
      found.push({
        kind: 'sets-disagree',
        peg: 'outside',
        coupling: id,
        by: disagree.by,
        explained: suspected.length > 0,
        ...(set ? { set } : {}),
        ...(dial ? { dial } : {}),
      })
    }
    return found
  })
}

/** Of a long sweep whole degrees are enough, and found once. */
const degreesPassed = new WeakMap<object, number[]>()

function anglesOf(readings: readonly { angle: number }[]): readonly number[] {
  if (readings.length <= 1000) return readings.map(({ angle }) => angle)
  const known = degreesPassed.get(readings)
  if (known) return known
  const passed = new Set<number>()
  for (const { angle } of readings) passed.add(Math.round(angle))
  const found = [...passed]
  degreesPassed.set(readings, found)
  return found
}

/** A short arc, and the one reading that would help most where the outcome is not sure enough. */
export function findingsOnUncertainty(solved: JobSolution): Finding[] {
  return solved.solution.couplings.flatMap(({ result, verdict }, c): Finding[] => {
    const coupling = solved.train.couplings[c]
    if (!result.ok || !coupling) return []
    const sources = solved.sources[c] ?? []
    const moved = coupling.left < solved.train.fixed ? coupling.left : coupling.left + 1
    const feet = solved.train.machines[moved]?.feet.map(({ x }) => x) ?? []
    const planned = only(coupling.sets, togetherOf(coupling.sets).together)
    const arc = arcCovered(
      planned.flatMap(({ probes }) => probes.filter(goesRound).flatMap(({ readings }) => anglesOf(readings))),
    )
    // set back by half at a side a dial has its constant: there is nothing to be had by turning on
    const halved = planned.some(({ probes }, i) => probes.length > 0 && sources[i]?.set.zeroed === 'halved')
    const hands = sources.flatMap(({ set }) => set.angles.map(({ degrees }) => foldDegrees(degrees)))
    const next = bestNextReading(result.fit, coupling.x, feet, (set) => {
      const source = sources[set]?.set
      return source ? offeredAngles(source, halved ? 360 : arc) : []
    })
    const dial = next && solved.dials.find((state) => state.dial.id === sources[next.set]?.dials[next.probe]?.id)
    const found: Finding[] = []
    const [first] = sources
    if (arc < 180 && arc > 0 && !halved && next && first)
      found.push({
        kind: 'short-arc',
        peg: 'unsure',
        set: first.set,
        arc,
        sd: next.before,
        whole: wholeTurnSd(result.fit, coupling.x, feet),
      })
    const sure = (arc >= 180 || arc === 0 || halved) && (verdict?.state ?? 'within') !== 'unsure'
    if (next && dial && !sure && next.after < worthReading * next.before)
      found.push({
        kind: 'improve',
        peg: 'nothing',
        dial,
        degrees: next.degrees,
        again: hands.includes(foldDegrees(next.degrees)),
        before: next.before,
        after: next.after,
      })
    return found
  })
}

/** One more reading is advised where it leaves less than this share of the least certain foot's deviation. */
const worthReading = 0.9

/** Angles a person could still read: those of the set again, and for part of a turn 30° farther at either end. */
function offeredAngles(set: ReadSet, arc: number): number[] {
  const read = [...new Set(set.angles.map(({ degrees }) => foldDegrees(degrees)))].sort((a, b) => a - b)
  if (arc >= 180 || read.length === 0) return read
  // the arc ends on either side of the widest gap
  const gaps = read.map((from, i) => ({ from, to: read[(i + 1) % read.length] ?? 0 }))
  const widest = gaps.reduce((a, b) => (foldDegrees(b.to - b.from) > foldDegrees(a.to - a.from) ? b : a))
  return [...read, foldDegrees(widest.from + 30), foldDegrees(widest.to - 30)]
}

const low = (values: Float64Array): number => values.reduce((a, b) => Math.min(a, b), Number.POSITIVE_INFINITY)
const high = (values: Float64Array): number => values.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY)

export function floated(solved: JobSolution): Finding[] {
  return solved.solution.couplings.flatMap(({ result }, c): Finding[] => {
    if (!result.ok || result.fit.floats.length === 0) return []
    // a sweep has more of them than a call takes
    const ends = result.fit.floats.map(({ values }) => [low(values), high(values)] as const)
    const set = solved.sources[c]?.find(({ dials }) => dials.some(({ floats }) => floats))?.set
    return set
      ? [
          {
            kind: 'floated',
            peg: 'within',
            set,
            most: Math.max(...ends.map(([, to]) => to)) - Math.min(...ends.map(([from]) => from)),
          },
        ]
      : []
  })
}
