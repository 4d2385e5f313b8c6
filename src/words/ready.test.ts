import { expect, it } from 'vitest'
import { makeJob } from '../core/kinds/train/document/make'
import { pumpAndMotor } from '../core/kinds/train/rig'
import { readyState } from '../core/ready/ready'
import { sayReady } from './ready'

it.each([
  ['2.4', 'Jack the movable machine 0.60 mm along the shaft, away from the other.'],
  ['3.9', 'Jack the movable machine 0.90 mm along the shaft, toward the other.'],
])('hubs %s mm apart where the maker wants 3 give the axial move', (value, act) => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const line = pumpAndMotor()
  const check = {
    outcome: 'good' as const,
    value: mm(value),
    maker: mm('3'),
    plusMinus: mm('0.5'),
    note: '',
    by: '',
    at: '',
  }
  const job = {
    ...makeJob(line, '', '2026-12-01T08:00:00Z', 'mm'),
    ready: { occasion: 'new-set' as const, permit: '', cautions: {}, checks: { 'hub-separation': check }, rough: {} },
  }
  const said = sayReady(readyState(job), { line, unit: 'mm', resolution: 0.01 })
  expect(said.find(({ key }) => key === 'hub-separation')?.detail).toContain(act)
})
