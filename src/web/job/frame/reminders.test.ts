import { describe, expect, it, vi } from 'vitest'
import { makeJob, makeLine } from '../../../core/kinds/train/document/make'
import { seatFeet } from '../../../core/kinds/train/document/seats'
import { cautions } from '../../../core/ready/catalog'
import { emptyReady } from '../../../core/ready/ready'
import { emptySeat, emptySeatFoot } from '../../../core/seat/state'
import type { Terms } from '../../../words/terms'
import { remindersOf } from './reminders'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const drawn = makeLine('x', 'pump', 'motor', 'mm')
const line = {
  ...drawn,
  machines: drawn.machines.map((machine) => ({
    ...machine,
    feet: machine.feet.map((foot, i) => ({
      ...foot,
      spread: mm('300'),
      station: { ...foot.station, distance: mm(['240', '450'][i]!) },
    })),
  })),
}
const job = makeJob(line, '', '', 'mm')
const terms: Terms = { line, unit: 'mm', resolution: 0.01 }
const signed = Object.fromEntries(cautions.map((id) => [id, { by: 'AB', at: '2026-11-25T10:00:00Z' }]))
const ready = { ...emptyReady(), cautions: signed }
const rises = (texts: readonly string[]) => {
  const feet = seatFeet(line, 'm2')
  return {
    m2: {
      ...emptySeat('mm'),
      before: Object.fromEntries(feet.map(({ id }, i) => [id, { ...emptySeatFoot('mm'), rise: mm(texts[i]!) }])),
    },
  }
}

describe('what earlier steps left open', () => {
  it('is the first caution that is not signed, with how many there are', () => {
    const go = vi.fn()
    const { cautions: all } = ready
    const [first, ...rest] = cautions
    const open = { ...ready, cautions: Object.fromEntries(rest.slice(1).map((id) => [id, all[id]!])) }
    const [reminder, ...others] = remindersOf({ ...job, ready: open }, terms, go)
    expect(first).toBeDefined()
    expect(others).toEqual([])
    expect(reminder).toMatchObject({ peg: 'outside', said: { detail: '2 of 8 cautions not initialed.' } })
    expect(reminder!.said.title).toMatch(/\.$/)
    reminder!.acts![0]!.run()
    expect(go).toHaveBeenCalledExactlyOnceWith('ready')
  })
  it('is a soft foot that was found and not cured, and nothing once it sits', () => {
    const go = vi.fn()
    const [reminder] = remindersOf({ ...job, ready, seat: rises(['0.2', '0', '0.01', '0.19']) }, terms, go)
    expect(reminder).toMatchObject({ key: 'open-seat-m2', acts: [{ text: 'Go to Soft foot' }] })
    reminder!.acts![0]!.run()
    expect(go).toHaveBeenCalledExactlyOnceWith('seat')
    expect(remindersOf({ ...job, ready, seat: rises(['0.01', '0', '0.01', '0']) }, terms, go)).toEqual([])
    expect(remindersOf({ ...job, ready }, terms, go)).toEqual([])
  })
})
