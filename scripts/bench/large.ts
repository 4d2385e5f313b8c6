import { beltSurvey } from '../../src/core/kinds/belt/survey'
import { boreSurvey } from '../../src/core/kinds/bore/survey'
import { rollsSurvey } from '../../src/core/kinds/rolls/survey'
import { chance } from '../../src/core/rig/random'
import { bestOf, row } from './clock'

const source = chance(83)
const noise = (sd: number) => sd * source.normal()

/** Eleven sheaves on one belt, read with forty feelers each at two turns of the sheave; nine are told wrong by a sign. */
function sheaves(readings: number, slips: number): object {
  const ids = Array.from({ length: 12 }, (_, i) => `s${i}`)
  const each = Array.from({ length: readings }, (_, i) => {
    const on = ids[1 + (i % 11)]
    const angle = (45 * Math.floor(i / 11)) % 360
    const value = 1 + 0.3 * Math.sin((angle * Math.PI) / 180) + noise(0.02)
    return {
      type: 'face',
      on,
      angle,
      radius: 100,
      value: i < slips ? -value : value,
      sd: 0.02,
      turned: i % 2 ? 180 : 0,
    }
  })
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'belt',
    units: { length: 'mm', reading: 'mm' },
    belt: {
      type: 'flat',
      faces: 'right',
      sheaves: ids.map((id, i) => ({
        id,
        ...(i === 0 ? { stays: true } : {}),
        centre: [0, 600 * i, 0],
        toGroove: 20,
        diameter: 240,
      })),
      readings: each,
    },
  }
}

/** Two hundred rolls, sighted from a hundred stands that share their marks. */
function rolls(count: number, stands: number): object {
  const ids = Array.from({ length: count }, (_, i) => `r${i}`)
  const readings: object[] = ids.flatMap((on) => [
    { type: 'level', on, divisions: 2 + noise(0.2), sensitivity: 0.02 },
    { type: 'level', on, divisions: -2 + noise(0.2), sensitivity: 0.02, turned: true },
  ])
  for (let s = 0; s < stands; s++) {
    for (const mark of [`m${s}`, `m${s + 1}`, `m${s + 2}`])
      readings.push({ type: 'plane', stand: `st${s}`, mark, x: 900 * s, value: 100 + noise(0.1) })
    for (const k of [0, 1])
      readings.push({
        type: 'scale',
        on: ids[(2 * s + k) % count],
        near: 50 + noise(0.05),
        far: 50 + noise(0.05),
        over: 1800,
        stand: `st${s}`,
      })
  }
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'rolls',
    units: { length: 'mm', reading: 'mm' },
    rolls: {
      rolls: ids.map((id, i) => ({ id, x: 800 * i, z: 1000, width: 2000, diameter: 200, housings: [-1200, 1200] })),
      reference: 'r0',
      readings,
    },
  }
}

/** Two hundred bores in one row, each read at four places, all within what is allowed. */
function bores(count: number): object {
  return {
    format: 'vane-peg.survey',
    version: 1,
    kind: 'bore',
    units: { length: 'mm', reading: 'mm' },
    bores: {
      sections: Array.from({ length: count }, (_, i) => ({
        id: `b${i}`,
        x: 300 * i,
        diameter: 250,
        limits: { down: 0.5, up: 0.5, near: 0.5, far: 0.5 },
        readings: [0, 90, 180, 270].map((at) => [at, at === 0 ? 0 : noise(0.03)]),
      })),
      reference: 'within-limits',
      limit: 0.05,
    },
  }
}

/** The largest documents a kind takes, solved: each within half a second. */
export function benchLarge(): string[] {
  const timed = (
    what: string,
    solve: (document: unknown) => { ok: boolean; fault?: unknown },
    document: object,
  ): string => {
    const once = solve(document)
    if (!once.ok) return row(what, JSON.stringify(once.fault))
    return row(what, bestOf(() => solve(document), 1, 3).toFixed(0), '≤ 500')
  }
  return [
    timed('11 sheaves, 400 readings, ms', beltSurvey.solve, sheaves(400, 0)),
    timed('11 sheaves, 400 readings, nine signs wrong, ms', beltSurvey.solve, sheaves(400, 9)),
    timed('200 rolls, 100 stands, ms', rollsSurvey.solve, rolls(200, 100)),
    timed('200 bores, all within, ms', boreSurvey.solve, bores(200)),
  ]
}
