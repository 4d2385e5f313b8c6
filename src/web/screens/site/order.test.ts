import { describe, expect, it } from 'vitest'
import { dueCounts, dueDay, type Glance, ordered } from './order'

const line = (name: string, area: string, dueOn: string | null, next?: string, drift?: number): Glance => ({
  name,
  area,
  dueOn,
  book: {
    visits: 2,
    ...(next ? { next: { days: 90, on: next, because: { kind: 'once' } } } : {}),
    ...(drift ? { drift: { place: 'p', plane: 'vertical', by: drift, sd: 0.01, days: 300 } } : {}),
  },
})

const lines = [
  line('Fan', 'Wash hall', null, '2026-12-10', -0.4),
  line('Pump', 'Brine house', '2026-11-01', '2027-01-01'),
  line('Drive', 'Wash hall', null, undefined, 0.1),
  line('Blower', 'Brine house', null, '2026-10-01', 0.2),
]

describe('the lines of a site', () => {
  it('stand by area and name, by what is due longest, and by what drifted most either way', () => {
    const names = (order: Parameters<typeof ordered>[1]) => ordered(lines, order).map(({ name }) => name)
    expect(names('area')).toEqual(['Blower', 'Pump', 'Drive', 'Fan'])
    expect(names('due')).toEqual(['Blower', 'Pump', 'Fan', 'Drive'])
    expect(names('drift')).toEqual(['Fan', 'Blower', 'Drive', 'Pump'])
  })
  it('are due by their job where there is one, else by their logbook', () => {
    expect(lines.map(dueDay)).toEqual(['2026-12-10', '2026-11-01', undefined, '2026-10-01'])
    expect(dueCounts(lines, '2026-11-26')).toEqual({ overdue: 2, soon: 1 })
    expect(dueCounts([], '2026-11-26')).toEqual({ overdue: 0, soon: 0 })
  })
})
