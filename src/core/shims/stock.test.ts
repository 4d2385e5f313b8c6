import { describe, expect, it } from 'vitest'
import { ShimShelf } from './shelf'
import { packFault, packMm, stockSizes } from './stock'

const pack = (text: string, unit: 'mm' | 'mil' = 'mm') => packMm({ text, unit })

describe('a pack as it is typed', () => {
  it('is thicknesses with a plus or spaces between', () => {
    expect(pack('1 + 0.5')).toEqual([1, 0.5])
    expect(pack('1+.5+0.05')).toEqual([1, 0.5, 0.05])
    expect(pack('2 0.1')).toEqual([2, 0.1])
    expect(pack('1,5 + 0,05')).toEqual([1.5, 0.05])
    expect(pack('20 + 5', 'mil')).toEqual([0.508, 0.127])
  })
  it('may be none at all, which is not the same as not said', () => {
    expect(pack('0')).toEqual([])
    expect(pack('')).toBeUndefined()
    expect(packMm(undefined)).toBeUndefined()
  })
  it('says what is wrong where it cannot be read', () => {
    expect(pack('thick')).toBeUndefined()
    expect(packFault({ text: 'thick', unit: 'mm' })?.kind).toBe('not-a-pack')
    expect(packFault({ text: '1 + 0.5', unit: 'mm' })).toBeUndefined()
    expect(pack(`1${'0'.repeat(38)}`)).toBeUndefined()
  })
})

describe('a shelf of shims', () => {
  const sizes = stockSizes({
    id: 's',
    name: '',
    slot: { text: '', unit: 'mm' },
    sizes: [
      { thickness: { text: '0.5', unit: 'mm' }, count: '1' },
      { thickness: { text: '0.2', unit: 'mm' }, count: '' },
      { thickness: { text: '', unit: 'mm' }, count: '' },
    ],
  })
  const options = { present: [] as number[], most: 4, range: [0, 9] as const }
  it('reads its counts, and as many as needed where nobody counted', () => {
    expect(sizes).toEqual([
      { thickness: 0.5, count: 1 },
      { thickness: 0.2, count: Number.POSITIVE_INFINITY },
    ])
  })
  it('gives what is left: the second foot goes without', () => {
    const shelf = new ShimShelf(sizes)
    expect(shelf.take(0.5, options).in).toEqual([0.5])
    expect(shelf.take(0.5, options).pack.shims).not.toContain(0.5)
  })
  it('uses what lies under the foot before it takes from the shelf', () => {
    const shelf = new ShimShelf(sizes)
    const taken = shelf.take(0.7, { ...options, present: [0.5, 1] })
    expect(taken.pack.shims.toSorted()).toEqual([0.2, 0.5])
    expect(taken.in).toEqual([0.2])
    expect(taken.out).toEqual([1])
    expect(shelf.take(0.5, options).in).toEqual([0.5])
  })
})
