import { describe, expect, it } from 'vitest'
import { unitOf } from '../../../quantity/quantity'
import { usualDial } from '../../../quantity/usual'
import { correctionOf, readingKey } from '../../../shafts/typed'
import { mm, pumpAndMotor, readOnRig, stocked } from '../rig'
import { makeLine, nextVisit, usualName } from './make'

describe('the first round of the next visit', () => {
  it('has the set-up, packs, stock and limits of the last, and nothing that was read, done or drawn', () => {
    const line = pumpAndMotor()
    const last = {
      ...readOnRig(line, { offsetZ: 0.1, slopeZ: 0, offsetY: 0, slopeY: 0 }),
      plan: stocked(line, '1 + 0.5', ['0.1'], {
        stays: 'drawn',
        done: { 'm2-back': { vertical: mm(0.1), horizontal: mm(0) } },
        agreed: { m2: { by: 'x', at: '', vertical: 1, horizontal: 1 } },
      }),
    }
    const next = nextVisit(last, '2027-01-01')
    expect(next).toMatchObject({ id: 'r1', takenAt: '2027-01-01', by: '' })
    expect(next.sets.map(({ method }) => method)).toEqual(last.sets.map(({ method }) => method))
    expect(next.sets.flatMap(({ probes }) => probes).every(({ readings }) => Object.keys(readings).length === 0)).toBe(
      true,
    )
    expect(next.plan).toMatchObject({ stays: 'fixed', packs: last.plan.packs, stock: last.plan.stock })
    expect(next.plan).not.toHaveProperty('done')
    expect(next.plan).not.toHaveProperty('agreed')
    expect(nextVisit(readOnRig(line, { offsetZ: 0, slopeZ: 0, offsetY: 0, slopeY: 0 }), '')).not.toHaveProperty('plan')
  })
})

describe('what is usual', () => {
  it('is a hundredth and a millimeter a turn, or half a mil and a hundred mils', () => {
    expect(usualDial('mm')).toEqual({ graduation: { text: '0.01', unit: 'mm' }, turn: { text: '1', unit: 'mm' } })
    for (const unit of ['mil', 'in'] as const)
      expect(usualDial(unit)).toEqual({ graduation: { text: '0.5', unit: 'mil' }, turn: { text: '100', unit: 'mil' } })
  })
  it('is a name that no other machine has', () => {
    expect(makeLine('x', 'pump', 'pump', 'mm').machines.map(({ name }) => name)).toEqual(['Pump', 'Pump 2'])
    expect(usualName('gearbox', [{ name: 'gearbox ' }, { name: 'Gearbox 2' }, { name: 'Gearbox 4' }])).toBe('Gearbox 3')
  })
  it('is the unit in force, unless one is written beside the number', () => {
    expect(unitOf({ text: '5 mil', unit: 'mm' })).toBe('mil')
    expect(unitOf({ text: '5', unit: 'mm' })).toBe('mm')
    expect(unitOf({ text: 'five mil', unit: 'mm' })).toBe('mm')
  })
})

it('keeps the numbers of a two-plane head apart', () => {
  expect([readingKey('a90'), readingKey('a90', 'r1'), readingKey('a90', 't2')]).toEqual(['a90', 'a90:r1', 'a90:t2'])
})

describe('a dial that does not stand square', () => {
  const lever = (angle: string, madeFor = '0') => correctionOf({ correction: { kind: 'lever', angle, madeFor } })
  it('is put right up to 85°, either way; beyond that nothing it reads means anything, and nothing is made up', () => {
    expect(lever('60')).toBeCloseTo(0.5, 12)
    expect(lever('-60')).toBeCloseTo(0.5, 12)
    expect(lever('60', '60')).toBeCloseTo(1, 12)
    for (const angle of ['85', '90', '-90', '110', '-170', 'steep', '']) expect(lever(angle)).toBe(1)
  })
})
