import { type CheckItem, checkItems } from '../../ready/catalog'
import { readingsIn } from '../../shafts/typed'
import type { Kind, Migration } from '../kind'
import { findingsFor, readPeg, type UprightListed, verdictPeg } from './advice/findings'
import { makeLine, makeRound, repeatRound } from './document/make'
import { lineSchema, roundSchema, type UprightLine, type UprightRound } from './document/schema'
import { proofOf, withOtherMethod, withProofSets } from './prove/proof'
import { solveRound, type UprightSolved } from './solve/round'

/** A machine upright on the flange of another. */
export interface UprightTypes {
  line: UprightLine
  round: UprightRound
  solved: UprightSolved
  listed: UprightListed
}

const same: Migration = (document) => document

/** Faces first: what a clean joint cures needs no shim. */
const facesFirst: readonly CheckItem[] = [
  { id: 'joint-clean', measured: false, on: ['new-set', 'after-overhaul', 'vibration'] },
  { id: 'flange-runout', measured: true, limit: 0.05, on: ['new-set', 'after-overhaul', 'vibration'] },
  { id: 'spigot-runout', measured: true, limit: 0.05, on: ['new-set', 'after-overhaul', 'vibration'] },
  { id: 'adapter-parallel', measured: true, limit: 0.05, on: ['new-set', 'after-overhaul'] },
]

/** Checks that are of feet and their bolts: an upright pair has none. */
const ofFeet = new Set(['base', 'shims', 'foundation', 'jack-bolts', 'which-moves'])

function listed(line: UprightLine, solved: UprightSolved): UprightListed {
  const [first] = findingsFor(solved, 'read')
  const { result } = solved.coupling
  const probe = first && 'probe' in first ? first.probe : undefined
  const m = result.ok ? result.fit : undefined
  return {
    next: {
      kind: first?.kind ?? 'nothing',
      ...(probe ? { machine: line.machines.find(({ id }) => id === probe.dial.on)?.name } : {}),
      ...(first && 'degrees' in first ? { degrees: first.degrees } : {}),
    },
    bolts: line.flange.bolts,
    lines: {
      vertical: m?.measured.includes('vertical')
        ? { offset: m.misalignment.offsetZ, slope: m.misalignment.slopeZ }
        : null,
      horizontal: m?.measured.includes('horizontal')
        ? { offset: m.misalignment.offsetY, slope: m.misalignment.slopeY }
        : null,
    },
  }
}

export const upright: Kind<UprightTypes> = {
  lineSchema,
  roundSchema,
  migrations: { job: [same], line: [same] },
  makeLine,
  makeRound,
  repeatRound,
  nextVisit: (round, takenAt) => ({ ...repeatRound(round, 'r1', takenAt), by: '' }),
  named: ({ machines: [lower, upper], coupling }) => ({
    sides: { near: '270°', far: '90°' },
    machines: [
      { ...lower, feet: [] },
      { ...upper, feet: [] },
    ],
    couplings: [coupling],
  }),
  readingsIn: ({ sets }) => readingsIn(sets),
  checks: [...facesFirst, ...checkItems.filter(({ id }) => !ofFeet.has(id))],
  seats: () => [],
  solve: solveRound,
  states: ({ probes }) => probes,
  pegs: (solved) => ({ read: readPeg(solved), move: verdictPeg(solved) }),
  proof: proofOf,
  withProofSets,
  readsRunning: true,
  withOtherMethod,
  acts: (_, { work }) => {
    if (!work) return []
    const { y, z } = work.stopped?.push ?? work.push
    return [
      ...(work.bolts ?? []).map(({ bolt, shim, pack }) => ({
        key: `bolt-${bolt}.shim`,
        mm: pack?.reduce((sum, size) => sum + size, 0) ?? shim,
      })),
      ...(z === null ? [] : [{ key: 'push.vertical', mm: z }]),
      ...(y === null ? [] : [{ key: 'push.horizontal', mm: y }]),
    ]
  },
  listed,
  fallbackSummary: ({ flange }) => ({
    next: { kind: 'unsolved' },
    bolts: flange.bolts,
    lines: { vertical: null, horizontal: null },
  }),
}
