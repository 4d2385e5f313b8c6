import { describe, expect, it } from 'vitest'
import { makeLine, makeSet } from '../../core/kinds/train/document/make'
import { placeStations } from '../../core/kinds/train/document/stations'
import { referencesOf } from './places'

const drawn = makeLine('x', 'pump', 'motor', 'mm')
const line = {
  ...drawn,
  couplings: drawn.couplings.map((c) => ({
    ...c,
    kind: 'spacer' as const,
    span: { text: '180', unit: 'mm' as const },
  })),
  marks: [
    {
      id: 'k1',
      name: 'hub face',
      station: { from: 'c1', toward: 'right' as const, distance: { text: '12', unit: 'mm' as const } },
    },
  ],
}

describe('what a tape can be hooked on', () => {
  it('has a name each: couplings, flex planes, feet, marks', () => {
    expect(referencesOf(line).map(({ text }) => text)).toEqual([
      'center of coupling',
      'left flex plane of coupling',
      'right flex plane of coupling',
      'pump, front feet',
      'pump, back feet',
      'motor, front feet',
      'motor, back feet',
      'hub face',
    ])
    expect(referencesOf(drawn).map(({ text }) => text)).not.toContain('left flex plane of coupling')
  })
  it('and the probes of a set, but a face, which has no place along the shaft', () => {
    const own = (method: Parameters<typeof makeSet>[4]) => {
      const set = makeSet(line, 'c1', 's', 'mm', method)
      return referencesOf(line, set)
        .slice(referencesOf(line).length)
        .map(({ text }) => text)
    }
    expect(own('reverse-dial')).toEqual(['motor dial', 'pump dial'])
    expect(own('rim-face')).toEqual(['motor dial'])
    expect(own('two-plane-head')).toEqual(['motor two-plane head, plane 1', 'motor two-plane head, plane 2'])
  })
  it('are all known to the arithmetic by the same names', () => {
    const set = makeSet(line, 'c1', 's', 'mm')
    const { x, faults } = placeStations(line, set.probes)
    const known = new Set([...x.keys(), ...faults.map(({ of }) => of)])
    for (const { value } of referencesOf(line, set)) expect(known).toContain(value)
  })
})
