import type { WrittenSuspect } from '../../../fit/slips'
import { quantityMm } from '../../../quantity/quantity'
import type { VerdictState } from '../../../verdict/state'
import { cellOf } from '../document/make'
import type { Further, LengthCell, RollOfLine, RollsLine, RollsRound, TroubleCall } from '../document/schema'
import type { RollMove } from '../plan/told'
import type { Missing, RollRound, RollsSolved } from '../solve/round'
import { type Mistake, type SpanSolved, spanState } from '../solve/section'
import type { TroubleTold } from '../solve/trouble'

/** One thing worth saying of a section of rolls, as data; `src/words/rolls` makes the sentence. mm, rad. */
export type Finding =
  | { kind: 'nip'; peg: 'outside' }
  | ({ kind: 'not-a-number'; peg: 'outside' } & RollsSolved['faults'][number])
  | { kind: 'missing'; peg: 'nothing'; what: Missing; rolls: readonly string[] }
  | { kind: 'next-reading'; peg: 'nothing'; next: NonNullable<RollsSolved['next']> }
  | { kind: 'mistake'; peg: 'outside' | 'unsure'; mistake: Mistake }
  | {
      kind: 'contradict'
      peg: 'outside'
      suspects: readonly WrittenSuspect<string>[]
      marks: RollsRound['marks']
      further: readonly Further[]
    }
  | { kind: 'odd-tape'; peg: 'outside'; roll: RollOfLine; next: RollOfLine; read: number; apart: number }
  | { kind: 'odd-scale'; peg: 'unsure'; roll: RollOfLine; times: number }
  | { kind: 'free'; peg: 'unsure'; reference: string }
  | { kind: 'no-reference'; peg: 'nothing' }
  | { kind: 'open'; peg: 'nothing'; square: readonly RollRound[]; level: readonly RollRound[] }
  | { kind: 'verdict'; peg: VerdictState; outside: readonly SpanSolved[]; unsure: readonly SpanSolved[]; all: number }
  | { kind: 'move'; peg: 'outside'; move: RollMove }
  | { kind: 'stays'; peg: 'unsure'; round: RollRound }
  | { kind: 'plan-stale'; peg: 'unsure' }
  | { kind: 'blocked'; peg: 'outside'; move: RollMove; way: 'slide' | 'up' | 'down'; by: number }
  | { kind: 'order'; peg: 'nothing' }
  | { kind: 'no-move'; peg: 'within' }
  | { kind: 'play'; peg: 'outside'; roll: RollOfLine; by: number; limit: number }
  | { kind: 'stroke'; peg: 'outside' | 'within'; roll: RollOfLine; by: number; limit: number; of: 'swing' | 'bow' }
  | { kind: 'trouble'; peg: VerdictState; told: TroubleTold; call: TroubleCall }

const stateOfSpans = (spans: readonly SpanSolved[]) => spans.map((span) => spanState(span))

/** The verdict of the whole section: the worst of its spans, once all are known. */
export function verdictPeg({ spans }: RollsSolved): VerdictState {
  const states = stateOfSpans(spans)
  if (states.includes('outside')) return 'outside'
  if (spans.length === 0 || spans.every(({ inPlane }) => inPlane === null)) return 'nothing'
  return states.includes('unsure') ? 'unsure' : 'within'
}

/** How far the reading has come. */
export function readPeg({ rolls, faults, read, section }: RollsSolved): VerdictState {
  if (faults.length > 0 || (section?.contradictions ?? []).length > 0) return 'outside'
  if (!read) return 'nothing'
  return rolls.every(({ solved }) => solved?.square && solved.level) ? 'within' : 'unsure'
}

/** Of the two rolls of a span the one that does more to bend it; both where that is not known. */
function culpritOf({ from, to, way }: SpanSolved, rolls: readonly RollRound[]): string[] {
  const share = (id: string): number | undefined => {
    const own = rolls.find(({ roll }) => roll.id === id)?.solved
    return way && own?.square && own.level ? Math.abs(way.x * own.square.value + way.z * own.level.value) : undefined
  }
  const [a, b] = [share(from), share(to)]
  if (a === undefined || b === undefined) return [from, to]
  return [a > b ? from : to]
}

/** Limits of a near housing that its move to the numbers would break, and by how much, mm. */
function blockedAt(move: RollMove, { reaches }: RollsSolved): Extract<Finding, { kind: 'blocked' }>[] {
  const reach = reaches.get(move.roll.id)
  if (!reach) return []
  const [slide, shim] = [move.slide ?? 0, move.shim ?? 0]
  const over = (way: 'slide' | 'up' | 'down', by: number) =>
    by > 1e-9 ? [{ kind: 'blocked', peg: 'outside', move, way, by } as const] : []
  return [
    ...over('slide', reach.slide ? Math.abs(slide) - reach.slide[1] : 0),
    ...over('up', reach.shim ? shim - reach.shim[1] : 0),
    ...over('down', reach.shim ? reach.shim[0] - shim : 0),
  ]
}

/** What pivoting rolls tell of themselves: what is loose first, then what lies otherwise over the stroke. */
function pivotsIn({ pivots }: RollsSolved): Finding[] {
  return pivots.flatMap(({ roll, told: { play, swing, bow }, limit }): Finding[] => {
    if (play === undefined) return []
    // what is loose tells nothing of how it lies: mended first
    if (play > limit) return [{ kind: 'play', peg: 'outside', roll, by: play, limit }]
    if (swing === undefined || bow === undefined) return []
    const [of, by] = swing >= bow ? (['swing', swing] as const) : (['bow', bow] as const)
    return [{ kind: 'stroke', peg: by > limit ? 'outside' : 'within', roll, by, limit, of }]
  })
}

/** What a call about trouble comes to. */
function troubleIn({ trouble, round }: RollsSolved): Finding[] {
  if (!trouble || !round.trouble) return []
  const peg =
    trouble.state === 'found'
      ? trouble.fits === false
        ? 'unsure'
        : 'outside'
      : trouble.state === 'within-doubt' || trouble.state === 'looks-differ'
        ? 'unsure'
        : 'nothing'
  return [{ kind: 'trouble', peg, told: trouble, call: round.trouble }]
}

/** A tape so small a part of the distance between its rolls was read in another unit, unless it tells differences alone. */
const oddTape = { least: 1 / 5000, most: 1 / 100, alike: 0.3 }
/** A scale that leans so many times as much as those beside it, and by so much at least over its two ends, mm. */
const oddScale = { times: 8, least: 0.5 }

/** Numbers out of proportion to what stands beside them: a tape in another unit, a scale with its decimal point elsewhere. */
function oddIn({ round, section }: RollsSolved, { rolls }: RollsLine): Finding[] {
  const mm = (id: string, cell: LengthCell) => quantityMm(round.values[cellOf(id, cell)])
  const tapes = rolls.slice(0, -1).flatMap((roll, i): Finding[] => {
    const next = rolls[i + 1]
    const [near, far] = [mm(roll.id, 'tapeNear'), mm(roll.id, 'tapeFar')]
    const [dx, dz] = (['x', 'z'] as const).map((key) => (quantityMm(next?.[key]) ?? 0) - (quantityMm(roll[key]) ?? 0))
    const apart = Math.hypot(dx ?? 0, dz ?? 0)
    if (!next || !near || !far || apart === 0) return []
    const share = Math.abs(near) / apart
    const alike = Math.abs(far - near) < oddTape.alike * Math.abs(near)
    return alike && share > oddTape.least && share < oddTape.most
      ? [{ kind: 'odd-tape', peg: 'outside', roll, next, read: near, apart }]
      : []
  })
  const leans = rolls.flatMap((roll) => {
    const [near, far] = [mm(roll.id, 'near'), mm(roll.id, 'far')]
    return near === undefined || far === undefined ? [] : [{ roll, by: Math.abs(far - near) }]
  })
  const scales = leans.flatMap(({ roll, by }): Finding[] => {
    const others = leans.filter((one) => one.roll !== roll).map((one) => one.by)
    const middle = others.sort((a, b) => a - b)[Math.floor(others.length / 2)] ?? 0
    const told = (section?.contradictions ?? []).length > 0
    return others.length >= 3 && !told && by > oddScale.least && middle > 0 && by > oddScale.times * middle
      ? [{ kind: 'odd-scale', peg: 'unsure', roll, times: by / middle }]
      : []
  })
  return [...tapes, ...scales]
}

/** What to say at a step, most urgent first. */
export function findingsFor(solved: RollsSolved, line: RollsLine, step: 'read' | 'move'): Finding[] {
  const { rolls, spans, section, faults, missing, next, read } = solved
  const wrong = faults.map((fault): Finding => ({ kind: 'not-a-number', peg: 'outside', ...fault }))
  const lacks = (['width', 'place', 'diameter', 'over'] as const).flatMap((what): Finding[] => {
    const own = missing.filter((one) => one.what === what)
    return own.length > 0
      ? [{ kind: 'missing', peg: 'nothing', what, rolls: own.flatMap(({ roll }) => roll?.name ?? []) }]
      : []
  })
  const reading: Finding[] = next ? [{ kind: 'next-reading', peg: 'nothing', next }] : []
  const mistakes: Finding[] = [
    ...(section?.mistakes ?? []).map(
      (mistake): Finding => ({
        kind: 'mistake',
        peg: mistake.kind === 'reversed' || mistake.kind === 'two-places' ? 'outside' : 'unsure',
        mistake,
      }),
    ),
    ...(section?.contradictions ?? []).map(
      ({ suspects }): Finding => ({
        kind: 'contradict',
        peg: 'outside',
        suspects,
        marks: solved.round.marks,
        further: solved.round.further ?? [],
      }),
    ),
  ]
  const odd = oddIn(solved, line)
  const open = (what: 'square' | 'level') => rolls.filter((one) => section && one.solved?.[what] === null)
  const states = stateOfSpans(spans)
  const known = spans.some(({ inPlane }) => inPlane)
  const outcome: Finding[] = section
    ? [
        ...(known
          ? [
              {
                kind: 'verdict',
                peg: verdictPeg(solved),
                outside: spans.filter((_, i) => states[i] === 'outside'),
                unsure: spans.filter((_, i) => states[i] === 'unsure'),
                all: spans.length,
              } as const,
            ]
          : []),
        ...(section.free && line.reference
          ? [{ kind: 'free', peg: 'unsure', reference: line.reference } as const]
          : []),
        ...(!line.reference && open('square').length === rolls.length && read
          ? [{ kind: 'no-reference', peg: 'nothing' } as const]
          : open('square').length + open('level').length > 0
            ? [{ kind: 'open', peg: 'nothing', square: open('square'), level: open('level') } as const]
            : []),
      ]
    : []
  const seen = [...troubleIn(solved), ...pivotsIn(solved)]
  if (step === 'read') return [...wrong, ...odd, ...lacks, ...mistakes, ...seen, ...reading, ...outcome]
  const culprits = new Set(spans.flatMap((span, i) => (states[i] === 'outside' ? culpritOf(span, rolls) : [])))
  const within = verdictPeg(solved) === 'within'
  const { moves, stale } = solved.plan
  const work: Finding[] = [
    ...(stale && !within ? [{ kind: 'plan-stale', peg: 'unsure' } as const] : []),
    ...rolls.flatMap((one): Finding[] =>
      one.roll.fixed && culprits.has(one.roll.id) ? [{ kind: 'stays', peg: 'unsure', round: one }] : [],
    ),
    ...(within ? [] : moves).flatMap((move): Finding[] => [
      { kind: 'move', peg: 'outside', move },
      ...blockedAt(move, solved),
    ]),
  ]
  const order: Finding[] = work.some(({ kind }) => kind === 'move') ? [{ kind: 'order', peg: 'nothing' }] : []
  return [
    { kind: 'nip', peg: 'outside' },
    ...wrong,
    ...odd,
    ...lacks,
    ...mistakes,
    ...(within ? [{ kind: 'no-move', peg: 'within' } as const] : []),
    ...order,
    ...work,
    ...pivotsIn(solved),
    ...outcome,
  ]
}

/** What a list shows of a section of rolls: what comes next, and how square and level each is, rad; null where unknown. */
export interface RollsListed {
  next: { kind: Finding['kind'] | 'nothing' | 'unsolved'; roll?: string | undefined }
  rolls: { x: number; square: number | null; level: number | null }[]
}
