import { expect, it } from 'vitest'
import { sayAgo, sayDate, sayDateTime, sayDay, sayDayTime, sayLongDate, sayMoment, sayTime } from './dates'

const at = new Date(2026, 2, 5, 0, 5, 9)

it('writes dates and times as the trade does, midnight as 00', () => {
  expect([sayTime(at), sayDay(at), sayDayTime(at), sayDate(at)]).toEqual([
    '00:05',
    '5 Mar',
    '5 Mar, 00:05',
    '5 Mar 2026',
  ])
  expect([sayDateTime(at), sayMoment(at), sayLongDate(at)]).toEqual([
    '5 Mar 2026, 00:05',
    '5 Mar 2026, 00:05:09',
    '5 March 2026',
  ])
  expect(sayDate(at.toISOString())).toBe('5 Mar 2026')
  expect(sayDate(new Date(2026, 8, 4))).toBe('4 Sep 2026')
})

it('says how long ago, in the longest unit of which it is one', () => {
  const now = at.getTime()
  const ago = (seconds: number) => sayAgo(new Date(now - seconds * 1000), now)
  expect([ago(1), ago(59), ago(61), ago(7200), ago(3 * 86400)]).toEqual([
    '1s ago',
    '59s ago',
    '1m ago',
    '2h ago',
    '3d ago',
  ])
  expect([ago(70 * 86400), ago(800 * 86400), ago(-7200)]).toEqual(['2mo ago', '2y ago', 'in 2h'])
})

it('does not write a date that is none', () => {
  expect(() => sayDate('no day')).toThrow(RangeError)
})
