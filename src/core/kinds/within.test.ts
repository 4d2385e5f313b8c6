import { describe, expect, it } from 'vitest'
import type { Quantity } from '../quantity/quantity'
import { findingsFor as beltFindings } from './belt/advice/findings'
import { cellsOf as faceCells, makeLine as makeBelt, makeRound as makeBeltRound } from './belt/document/make'
import { solveRound as solveBelt } from './belt/solve/round'
import { findingsFor as boreFindings } from './bore/advice/findings'
import { cellsOf, makeRound as makeBoreRound, makeLine as makeBores } from './bore/document/make'
import { solveRound as solveBores } from './bore/solve/round'
import { findingsFor as rollsFindings } from './rolls/advice/findings'
import { cellOf, makeLine as makeRolls, makeRound as makeRollsRound } from './rolls/document/make'
import { lengthCells, levelCells } from './rolls/document/schema'
import { solveRound as solveRolls } from './rolls/solve/round'
import { findingsFor as trainFindings } from './train/advice/findings'
import { pumpAndMotor, readOnRig } from './train/rig'
import { solveRound as solveTrain } from './train/solve/round'
import { findingsFor as uprightFindings } from './upright/advice/findings'
import { makeLine as makeUpright, makeRound as makeUprightRound } from './upright/document/make'
import { solveRound as solveUpright } from './upright/solve/round'

const mm = (value: number): Quantity => ({ text: String(value), unit: 'mm' })
const none = mm(0)

/** What every kind of line says on the step of its moves when all its readings are nought, and when they are far out. */
const said: Readonly<Record<string, (off: number) => string[]>> = {
  train(off) {
    const line = pumpAndMotor()
    const truth = { offsetZ: off, slopeZ: 0, offsetY: 0, slopeY: 0 }
    return trainFindings(solveTrain({ line }, readOnRig(line, truth)), 'move').map(({ kind }) => kind)
  },
  upright(off) {
    const drawn = makeUpright('Well', 'mm', ['Pump', 'Motor'])
    const line = {
      ...drawn,
      speed: '1480',
      coupling: { ...drawn.coupling, diameter: mm(160) },
      flange: { ...drawn.flange, height: mm(300), circle: mm(400) },
    }
    const made = makeUprightRound(line, '', 'mm')
    const round = {
      ...made,
      sets: made.sets.map((set) => ({
        ...set,
        probes: set.probes.map((probe, p) => ({
          ...probe,
          station: { ...probe.station, distance: mm(80) },
          readings: Object.fromEntries(
            set.angles.map(({ id, degrees }) => [
              id,
              { value: mm((p ? -off : off) * (1 - Math.cos((degrees * Math.PI) / 180))), turns: 0 },
            ]),
          ),
        })),
      })),
    }
    return uprightFindings(solveUpright(line, round), 'move').map(({ kind }) => kind)
  },
  belt(off) {
    const made = makeBelt('Fan', 'mm', ['Fan', 'Motor'])
    const [stays, moved] = made.sheaves
    const sheaves = [
      { ...stays!, width: mm(80) },
      {
        ...moved!,
        width: mm(80),
        across: mm(640),
        up: none,
        feet: moved!.feet.map((foot, i) => ({ ...foot, behind: mm(100 + 250 * i) })),
      },
    ]
    const line = { ...made, sheaves }
    const begun = makeBeltRound(line, '', 'mm')
    const round = {
      ...begun,
      sets: begun.sets.map((set) => ({
        ...set,
        radius: mm(110),
        values: Object.fromEntries(faceCells(set).map((key) => [key, mm(5 * off)])),
      })),
    }
    return beltFindings(solveBelt(line, round), line.sheaves[0]!, 'move').map(({ kind }) => kind)
  },
  bore(off) {
    const made = makeBores('Row', 'mm', ['3'])
    const line = { ...made, sections: made.sections.map((section, i) => ({ ...section, x: mm(500 * i) })) }
    const begun = makeBoreRound(line, '', 'mm')
    const round = {
      ...begun,
      sets: begun.sets.map((set, i) => ({
        ...set,
        sag: none,
        values: Object.fromEntries(
          cellsOf(set).map((key) => [key, mm(i === 1 && key === 'a180' ? 2 * off : i === 1 && key !== 'a0' ? off : 0)]),
        ),
      })),
    }
    return boreFindings(solveBores(line, round), line, 'move').map(({ kind }) => kind)
  },
  rolls(off) {
    const made = makeRolls('Sheet line', 'mm', ['3'])
    const line = {
      ...made,
      width: mm(1600),
      housings: mm(1900),
      baseline: mm(1500),
      rolls: made.rolls.map((roll, i) => ({ ...roll, x: mm(800 * i), z: none, diameter: mm(200) })),
    }
    const round = {
      ...makeRollsRound(line, '', 'mm'),
      sensitivity: '0.02',
      over: mm(1400),
      divisions: Object.fromEntries(line.rolls.flatMap(({ id }) => levelCells.map((cell) => [cellOf(id, cell), '0']))),
      values: Object.fromEntries(
        line.rolls.flatMap(({ id }, i) =>
          lengthCells
            .filter((cell) => cell === 'near' || cell === 'far')
            .map((cell) => [cellOf(id, cell), i === 1 && cell === 'far' ? mm(off) : none]),
        ),
      ),
    }
    return rollsFindings(solveRolls(line, round), line, 'move').map(({ kind }) => kind)
  },
}

/** What tells somebody to move something, or that it was moved. */
const commands = ['feet', 'read-again', 'shims', 'push', 'star', 'tilt', 'toe', 'slide', 'move', 'blocked', 'order']

describe.each(Object.entries(said))('%s', (_, findings) => {
  it('within tolerance commands no move', () => {
    const kinds = findings(0)
    expect(kinds).toContain('no-move')
    expect(kinds.filter((kind) => commands.includes(kind))).toEqual([])
  })
  it('far out commands one', () => {
    const kinds = findings(2)
    expect(kinds).not.toContain('no-move')
    expect(kinds.filter((kind) => commands.includes(kind))).not.toEqual([])
  })
})
