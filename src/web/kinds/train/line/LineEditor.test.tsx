// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it } from 'vitest'
import { makeLine } from '../../../../core/kinds/train/document/make'
import type { Line } from '../../../../core/kinds/train/document/schema'
import { placeStations } from '../../../../core/kinds/train/document/stations'
import { pumpAndMotor } from '../../../../core/kinds/train/rig'
import { LineEditor } from './LineEditor'

afterEach(cleanup)

let line: Line
function Kept({ begin, unit = 'mm', frozen = false }: { begin: Line; unit?: 'mm' | 'mil'; frozen?: boolean }) {
  const [now, setNow] = useState(begin)
  line = now
  return (
    <LineEditor
      line={now}
      unit={unit}
      flipped={false}
      frozen={frozen}
      onChange={(change) => setNow(change)}
      dropped={(next) => (next.machines.length > now.machines.length ? 'A set with 8 readings would be removed. ' : '')}
    />
  )
}
const show = (begin = pumpAndMotor(), more: { unit?: 'mm' | 'mil'; frozen?: boolean } = {}) =>
  render(<Kept begin={begin} {...more} />)
const button = (name: string) => screen.getByRole('button', { name })
const press = (name: string) => fireEvent.click(button(name))
const pick = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } })

describe('the sheet of a line', () => {
  it('has every distance on the drawing, named from where and which way', () => {
    show()
    const foot = screen.getByLabelText<HTMLInputElement>(
      'Motor, front feet, distance from center of coupling toward the right, mm',
    )
    expect(foot.value).toBe('240')
    fireEvent.focus(foot)
    fireEvent.input(foot, { target: { value: '255.5' } })
    expect(placeStations(line).x.get('m2-front')).toBe(255.5)
    expect(placeStations(line).x.get('m2-back')).toBe(705.5)
  })
  it('says at once what cannot be of a dimension', () => {
    show()
    const foot = screen.getByLabelText('Motor, front feet, distance from center of coupling toward the right, mm')
    fireEvent.focus(foot)
    fireEvent.input(foot, { target: { value: '2.4' } })
    expect(within(screen.getByRole('status', { name: 'Dimensions to check' })).getByText(/inch/i)).toBeTruthy()
  })
  it('gives the machine that stays the reason that goes with it', () => {
    show()
    const because = screen.getByLabelText<HTMLInputElement>('Reason')
    expect(because.value).toBe('Piping is connected.')
    fireEvent.click(within(screen.getByRole('region', { name: 'Fixed machine' })).getByRole('radio', { name: 'Motor' }))
    expect([line.fixed, because.value]).toEqual(['m2', ''])
    fireEvent.click(within(screen.getByRole('region', { name: 'Fixed machine' })).getByRole('radio', { name: 'Pump' }))
    expect([line.fixed, because.value]).toEqual(['m1', 'Piping is connected.'])
  })
  it('asks before a machine comes between two that were read, and puts it where it was said', () => {
    show()
    pick('Add a machine', '1')
    press('Insert machine')
    expect(screen.getByText(/A set with 8 readings would be removed\. Undo restores them\./)).toBeTruthy()
    expect(line.machines).toHaveLength(2)
    press('Insert machine')
    expect(line.machines.map(({ id }) => id)).toEqual(['m1', expect.stringMatching(/^m\w{10}$/), 'm2'])
  })
  it('takes out a machine or feet, what else there is staying where it was', () => {
    const pump = pumpAndMotor()
    show(pump)
    expect(screen.queryByRole('button', { name: 'Remove the pump' })).toBeNull()
    fireEvent.click(
      within(screen.getByRole('region', { name: 'Motor' })).getByRole('button', { name: 'Remove the front feet' }),
    )
    expect(line.machines[1]!.feet.map(({ id }) => id)).toEqual(['m2-back'])
    expect(placeStations(line).x.get('m2-back')).toBe(690)
  })
  it('keeps marks: named, placed from anything, removed again', () => {
    show()
    press('Add a hub face')
    press('Add a bracket post')
    const marks = within(screen.getByRole('region', { name: 'Marks' }))
    const [first, second] = marks.getAllByLabelText('Distance, mm')
    fireEvent.input(first!, { target: { value: '14' } })
    fireEvent.change(marks.getAllByRole('combobox', { name: 'bracket post: measured from' })[0]!, {
      target: { value: line.marks![0]!.id },
    })
    fireEvent.input(second!, { target: { value: '-30' } })
    const [face, post] = line.marks!.map(({ id }) => id)
    expect([placeStations(line).x.get(face!), placeStations(line).x.get(post!)]).toEqual([14, -16])
    fireEvent.click(marks.getByRole('button', { name: 'Remove the hub face' }))
    expect(line.marks!.map(({ id }) => id)).toEqual([post])
    expect(placeStations(line).x.get(post!)).toBe(-16)
  })
  it('says that two machines have one name, and gives a new one another', () => {
    show()
    fireEvent.change(screen.getAllByLabelText('Name')[1]!, { target: { value: ' PUMP' } })
    expect(screen.getAllByText('Another machine has this name.')).toHaveLength(2)
  })
  it('offers no change of a signed job’s line', () => {
    show(pumpAndMotor(), { frozen: true })
    for (const name of ['Insert machine', 'Add a hub face', 'Remove the front feet', 'Add feet to the motor'])
      expect(screen.queryByRole('button', { name })).toBeNull()
    expect(screen.getByLabelText<HTMLInputElement>('Line name').readOnly).toBe(true)
  })
  it('is in inches where mil are shown, and judges a spacer by its angles', () => {
    const drawn = makeLine('x', 'pump', 'motor', 'mil')
    show({ ...drawn, couplings: drawn.couplings.map((c) => ({ ...c, kind: 'spacer' })) }, { unit: 'mil' })
    expect(screen.getByLabelText(/^Distance between flex planes, in/)).toBeTruthy()
    fireEvent.click(screen.getByRole('radio', { name: 'The maker’s or site’s figures' }))
    expect(screen.getByText('Not needed for a spacer: judged by its angles')).toBeTruthy()
    expect(screen.getByLabelText('Angularity at each flex plane, mil/in')).toBeTruthy()
  })
})
