// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { positiveMm, type Quantity } from '../../core/quantity/quantity'
import { QuantityField, QuantityInput } from './Quantity'

afterEach(cleanup)

const mm = (text: string): Quantity => ({ text, unit: 'mm' })

/** A field that keeps what is typed, as a document does; `put` changes it from elsewhere. */
function Kept(props: {
  begin: Quantity
  unit?: 'mm' | 'mil'
  signed?: boolean
  positive?: boolean
  seen?: (quantity: Quantity) => void
}) {
  const [quantity, setQuantity] = useState(props.begin)
  return (
    <>
      <QuantityField
        label="Sag"
        quantity={quantity}
        unit={props.unit ?? 'mm'}
        signed={props.signed ?? false}
        positive={props.positive ?? false}
        onChange={(next) => {
          setQuantity(next)
          props.seen?.(next)
        }}
      />
      <button type="button" onClick={() => setQuantity(mm('-0.42'))}>
        Take back
      </button>
    </>
  )
}
const field = () => screen.getByRole<HTMLInputElement>('textbox')
const type = (value: string) => fireEvent.input(field(), { target: { value } })

describe('a typed number', () => {
  it('is shown in the unit asked for and stays as typed', () => {
    const seen = vi.fn()
    const { rerender } = render(<Kept begin={mm('-0.127')} signed seen={seen} />)
    expect(field().value).toBe('−0.127')
    rerender(<Kept begin={mm('-0.127')} signed unit="mil" seen={seen} />)
    expect(field().value).toBe('−5.00')
    expect(seen).not.toHaveBeenCalled()
  })
  it('is read in the unit that is on when it is typed', () => {
    const seen = vi.fn()
    render(<Kept begin={mm('')} unit="mil" seen={seen} />)
    fireEvent.focus(field())
    type('5')
    expect(seen).toHaveBeenLastCalledWith({ text: '5', unit: 'mil' })
  })
  it('turns its sign over by a minus anywhere, and a minus over all of it begins a new one', () => {
    const seen = vi.fn()
    render(<Kept begin={mm('-5')} signed seen={seen} />)
    const input = field()
    input.focus()
    input.setSelectionRange(1, 1)
    fireEvent.keyDown(input, { key: '-' })
    expect(seen.mock.lastCall?.[0].text).toBe('5')
    input.setSelectionRange(0, input.value.length)
    fireEvent.keyDown(input, { key: '-' })
    expect(seen.mock.lastCall?.[0].text).toMatch(/^[-−]/)
  })
  it('shows what was taken back while it has the focus', () => {
    render(<Kept begin={mm('0.1')} signed />)
    fireEvent.focus(field())
    type('0.2')
    expect(field().value).toContain('0.2')
    fireEvent.click(screen.getByRole('button', { name: 'Take back' }))
    expect(field().value).toBe('−0.42')
  })
  it('takes one number that is pasted after a minus as a negative one', () => {
    const seen = vi.fn()
    render(<Kept begin={mm('-4')} signed seen={seen} />)
    field().focus()
    field().setSelectionRange(0, field().value.length)
    fireEvent.keyDown(field(), { key: '-' })
    fireEvent.paste(field(), { clipboardData: { getData: () => '6' } })
    expect(seen.mock.lastCall?.[0].text).toBe('-6')
  })
  it('says what is wrong with it beside it, and is marked so', () => {
    render(<Kept begin={mm('0.1x')} />)
    expect(field().getAttribute('aria-invalid')).toBe('true')
    const said = document.getElementById(field().getAttribute('aria-describedby') ?? '')
    expect(said?.textContent).toMatch(/not a known unit|not a number/)
  })
  it('that must be above zero keeps the last good one while it is half typed', () => {
    const seen = vi.fn()
    render(<Kept begin={mm('0.01')} positive seen={seen} />)
    fireEvent.focus(field())
    for (const half of ['0', '0.', '0.0']) {
      type(half)
      expect(positiveMm(seen.mock.lastCall?.[0])).toBe(0.01)
      expect(screen.getByText('It must be greater than zero.')).toBeTruthy()
    }
    type('0.02')
    expect(seen.mock.lastCall?.[0]).toEqual(mm('0.02'))
    expect(screen.queryByText('It must be greater than zero.')).toBeNull()
  })
  it('cannot be changed where it is read only', () => {
    const change = vi.fn()
    render(<QuantityInput label="Sag" quantity={mm('1')} unit="mm" signed readOnly onChange={change} />)
    fireEvent.keyDown(field(), { key: '-' })
    fireEvent.paste(field(), { clipboardData: { getData: () => '1\n2' } })
    expect(change).not.toHaveBeenCalled()
  })
})
