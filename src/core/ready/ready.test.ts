import { describe, expect, it } from 'vitest'
import { makeLine } from '../kinds/train/document/make'
import { cautions } from './catalog'
import { emptyCheck, emptyReady, readyPeg, readyState } from './ready'
import type { Ready } from './schema'

const line = makeLine('x', 'pump', 'motor', 'mm')
const with_ = (change: Partial<Ready>) => ({ line, ready: { ...emptyReady(), ...change } })
const check = (outcome: Ready['checks'][string]['outcome'], text = '', note = '') => ({
  ...emptyCheck('mm'),
  outcome,
  value: { text, unit: 'mm' as const },
  note,
})
const signed = Object.fromEntries(cautions.map((id) => [id, { by: 'A', at: '' }]))
const stateOf = (ready: Partial<Ready>, id: string) => readyState(with_(ready)).checks.find((c) => c.id === id)?.state

describe('before the first reading', () => {
  it('the occasion decides which checks are proposed; what was entered stays', () => {
    const ids = (ready: Partial<Ready>) => readyState(with_(ready)).checks.map((c) => c.id)
    expect(ids({ occasion: 'periodic' })).toEqual(['shims', 'jack-bolts'])
    expect(ids({ occasion: 'new-set' })).toHaveLength(12)
    expect(ids({ occasion: 'periodic', checks: { piping: check('good') } })).toContain('piping')
    const own = { ...line, checks: [{ id: 'own1', text: 'Seal water off' }] }
    expect(readyState({ line: own }).checks.at(-1)).toMatchObject({ id: 'own1', own: 'Seal water off', state: 'open' })
  })
  it('a value over its limit is not good, whatever was ticked', () => {
    expect(stateOf({ checks: { piping: check('good', '0.06') } }, 'piping')).toBe('over')
    expect(stateOf({ checks: { piping: check('good', '0.05') } }, 'piping')).toBe('good')
  })
  it('a maker’s figure is the most, or what it should be give or take', () => {
    const q = (text: string) => ({ text, unit: 'mm' as const })
    const at = (id: string, value: string, plusMinus?: string) =>
      stateOf(
        {
          occasion: 'new-set',
          checks: {
            [id]: { ...check('good', value), maker: q('3'), ...(plusMinus ? { plusMinus: q(plusMinus) } : {}) },
          },
        },
        id,
      )
    expect([at('bearings', '2.9'), at('bearings', '3.1')]).toEqual(['good', 'over'])
    expect([at('hub-separation', '3.4', '0.5'), at('hub-separation', '2.4', '0.5')]).toEqual(['good', 'over'])
    expect(at('hub-separation', '9')).toBe('good')
  })
  it('skipping asks for a reason', () => {
    expect(stateOf({ checks: { base: check('skipped') } }, 'base')).toBe('unreasoned')
    expect(stateOf({ checks: { base: check('skipped', '', 'grouted last week') } }, 'base')).toBe('skipped')
  })
  it('two run-outs tell a hub that sits off from a bent shaft', () => {
    const runOut = (hub: string, shaft: string) =>
      readyState(with_({ checks: { 'hub-runout': check('bad', hub), 'shaft-runout': check('good', shaft) } })).runOut
        ?.kind
    expect(runOut('0.09', '0.01')).toBe('hub')
    expect(runOut('0.09', '0.08')).toBe('shaft')
    expect(runOut('0.03', '0.02')).toBeUndefined()
  })
  it('the peg says how far it has come', () => {
    expect(readyPeg({ line })).toBe('nothing')
    expect(readyPeg(with_({}))).toBe('nothing')
    expect(readyPeg(with_({ checks: { base: check('good') } }))).toBe('unsure')
    const done = { shims: check('good'), 'jack-bolts': check('skipped', '', 'none fitted') }
    expect(readyPeg(with_({ occasion: 'periodic', cautions: signed, checks: done }))).toBe('within')
    expect(readyPeg(with_({ occasion: 'periodic', cautions: { isolated: signed.isolated! }, checks: done }))).toBe(
      'unsure',
    )
    expect(readyPeg(with_({ cautions: signed, checks: { base: check('bad') } }))).toBe('outside')
  })
})
