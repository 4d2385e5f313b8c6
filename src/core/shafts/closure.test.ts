import { expect, it } from 'vitest'
import { closureOf } from './closure'

it('is top and bottom less far and near, of dials that close by themselves', () => {
  const readings = [0, 0.1, 0.3, 0.05].map((value, i) => ({ angle: 90 * i, value }))
  const dial = { on: 'right' as const, x: 90, radius: 80, sag: 0, sd: 0.005, readings }
  const face = { type: 'face' as const, side: 'front' as const, lead: 0, ...dial }
  const off = expect.closeTo(0.15, 9)
  expect(Math.abs(closureOf({ type: 'rim', ...dial }) ?? 0)).toEqual(off)
  expect(Math.abs(closureOf({ ...face, sharedFloat: false }) ?? 0)).toEqual(off)
  expect(closureOf({ ...face, sharedFloat: true })).toBeNull()
  expect(closureOf({ type: 'beam', on: 'right', x: 90, sd: 0.003, readings })).toBeNull()
  expect(closureOf({ type: 'rim', ...dial, readings: readings.slice(0, 3) })).toBeNull()
})
