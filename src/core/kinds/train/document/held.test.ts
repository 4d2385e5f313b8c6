import { describe, expect, it } from 'vitest'
import { counted } from '../rig'
import { withMachineAt } from './alter'
import { reasonToStay, usuallyFixed, withFixed, withKind } from './held'
import { makeLine } from './make'

describe('which machine stays', () => {
  it.each([
    ['pump', 'motor', 'm1', 'It has the pipes.'],
    ['motor', 'pump', 'm2', 'It has the pipes.'],
    ['motor', 'fan', 'm2', 'Its rotor runs in a casing.'],
    ['motor', 'gearbox', 'm2', ''],
    ['gearbox', 'blower', 'm2', 'It has the pipes.'],
    ['motor', 'motor', 'm1', ''],
  ] as const)('is the driven one: %s and %s', (left, right, fixed, because) => {
    expect(makeLine('x', left, right, 'mm')).toMatchObject({ fixed, fixedBecause: because })
  })
  it('has its own reason when another is chosen', () => {
    const line = makeLine('x', 'pump', 'motor', 'mm')
    expect(withFixed(line, 'm2')).toMatchObject({ fixed: 'm2', fixedBecause: '' })
    expect(withFixed(withFixed(line, 'm2'), 'm1').fixedBecause).toBe('It has the pipes.')
    expect(withFixed(line, 'none')).toBe(line)
  })
  it('keeps a reason somebody wrote when its kind is changed, and no other', () => {
    const line = makeLine('x', 'pump', 'motor', 'mm')
    expect(withKind(line, 'm1', 'fan').fixedBecause).toBe(reasonToStay('fan'))
    expect(withKind({ ...line, fixedBecause: 'Grouted.' }, 'm1', 'fan').fixedBecause).toBe('Grouted.')
    expect(withKind(line, 'm2', 'gearbox')).toMatchObject({ fixed: 'm1', fixedBecause: 'It has the pipes.' })
  })
  it('in a train is the first of those with pipes or a casing', () => {
    const line = withMachineAt(makeLine('x', 'motor', 'gearbox', 'mm'), 2, 'fan', 'mm', counted())
    expect(usuallyFixed(line.machines)?.kind).toBe('fan')
  })
})
