import { describe, expect, it } from 'vitest'
import { type KindName, kindOf } from '../core/kinds'
import { beltJobs } from '../server/demo/belts'
import { boreJobs } from '../server/demo/bores'
import { demoPlant } from '../server/demo/plant'
import { rollsJobs } from '../server/demo/rolls'
import { uprightJobs } from '../server/demo/upright'
import { drawings } from '.'
import type { Drawn } from './kind'

const today = new Date('2026-11-23T12:00:00Z')

/** A job of each kind that is out of line: as found something is to be done about it. */
const found = {
  train: () =>
    demoPlant(today).jobs.find(({ state, document }) => state !== 'signed' && document.rounds.length > 0)!.document,
  upright: () => uprightJobs(today).jobs[0]!.document,
  belt: () => beltJobs(today).jobs[0]!.document,
  bore: () => boreJobs(today).jobs[0]!.document,
  rolls: () => rollsJobs(today).jobs[0]!.document,
}

describe.each(Object.keys(found) as KindName[])('a %s as left', (name) => {
  it('is drawn without anything to do', () => {
    const { line, rounds } = found[name]()
    const kind = kindOf({ kind: name })
    const solved = kind.solve(line as never, rounds[0] as never)
    const terms = { line, unit: 'mm', resolution: 0.01 } as unknown as Drawn<never>
    const scene = drawings[name].sight(solved as never, solved as never, terms as never, { width: 1060, height: 300 })
    const texts = scene.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []))
    expect(texts.length).toBeGreaterThan(0)
    expect(texts.filter((text) => /^(slide|push|add|take out|shim)/i.test(text))).toEqual([])
  })
})
