import { describe, expect, it } from 'vitest'
import { counted } from '../rig'
import { withMachineAt } from './alter'
import { reasonToStay, usuallyFixed, withFixed, withKind } from './held'
import { makeLine } from './make'

describe('fixed machine', () => {
  it.each([
    ['pump', 'motor', 'm1', 'Piping is connected.'],
    ['motor', 'pump', 'm2', 'Piping is connected.'],
    ['motor', 'fan', 'm2', 'The rotor runs in a casing.'],
    ['motor', 'gearbox', 'm2', ''],
    ['gearbox', 'blower', 'm2', 'Piping is connected.'],
    ['motor', 'motor', 'm1', ''],
  ] as const)('is the driven one: %s and %s', (left, right, fixed, because) => {
    expect(makeLine('x', left, right, 'mm')).toMatchObject({ fixed, fixedBecause: because })
  })
  it('has its own reason when another is chosen', () => {
    const line = makeLine('x', 'pump', 'motor', 'mm')
    expect(withFixed(line, 'm2')).toMatchObject({ fixed: 'm2', fixedBecause: '' })
    expect(withFixed(withFixed(line, 'm2'), 'm1').fixedBecause).toBe('Piping is connected.')
    expect(withFixed(line, 'none')).toBe(line)
  })
  it('keeps a reason somebody wrote when its kind is changed, and no other', () => {
    const line = makeLine('x', 'pump', 'motor', 'mm')
    expect(withKind(line, 'm1', 'fan').fixedBecause).toBe(reasonToStay('fan'))
    expect(withKind({ ...line, fixedBecause: 'Grouted.' }, 'm1', 'fan').fixedBecause).toBe('Grouted.')
    expect(withKind(line, 'm2', 'gearbox')).toMatchObject({ fixed: 'm1', fixedBecause: 'Piping is connected.' })
  })
  it('in a train is the first of those with pipes or a casing', () => {
    const line = withMachineAt(makeLine('x', 'motor', 'gearbox', 'mm'), 2, 'fan', 'mm', counted())
    expect(usuallyFixed(line.machines)?.kind).toBe('fan')
  })
})
