// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useState } from 'react'
import { MemoryRouter } from 'react-router'
import { afterEach, describe, expect, it } from 'vitest'
import { typing, useFocus } from './focus'

afterEach(cleanup)

function Rows() {
  useFocus()
  const [rows, setRows] = useState(['one', 'two', 'three'])
  return (
    <main id="bench">
      <h1>Rows</h1>
      <ul>
        {rows.map((row) => (
          <li key={row}>
            <button type="button" onClick={() => setRows(rows.filter((one) => one !== row))}>
              {row}
            </button>
          </li>
        ))}
      </ul>
      <input aria-label="note" />
    </main>
  )
}

const show = () =>
  render(
    <MemoryRouter>
      <Rows />
    </MemoryRouter>,
  )
const settled = () => new Promise((done) => setTimeout(done, 20))

describe('the keyboard’s place', () => {
  it('is the nearest thing left when what had the focus is taken away', async () => {
    // happy-dom lays nothing out: everything counts as visible
    HTMLElement.prototype.checkVisibility ??= () => true
    show()
    for (const [name, next] of [
      ['two', 'three'],
      ['three', 'one'],
    ] as const) {
      const button = screen.getByRole('button', { name })
      button.focus()
      fireEvent.click(button)
      await settled()
      expect(document.activeElement?.textContent).toBe(next)
    }
    fireEvent.click(screen.getByRole('button', { name: 'one' }))
    await settled()
    expect(document.activeElement).not.toBe(document.body)
  })
  it('is never a link past the head of the page: that shows only to who tabs to it', async () => {
    HTMLElement.prototype.checkVisibility ??= () => true
    function Screens() {
      useFocus()
      const [screen, go] = useState(0)
      return (
        <>
          <a href="#bench">Skip to content</a>
          {screen === 0 ? (
            <button type="button" onClick={() => go(1)}>
              Back
            </button>
          ) : null}
        </>
      )
    }
    render(
      <MemoryRouter>
        <Screens />
      </MemoryRouter>,
    )
    const button = screen.getByRole('button', { name: 'Back' })
    button.focus()
    fireEvent.click(button)
    await settled()
    expect(document.activeElement?.tagName).not.toBe('A')
  })
  it('leaves a field by Escape for the heading, where every shortcut works', async () => {
    show()
    const field = screen.getByLabelText('note')
    field.focus()
    expect(typing({ target: field, key: '1' })).toBe(true)
    fireEvent.keyDown(field, { key: 'Escape' })
    expect(document.activeElement?.tagName).toBe('H1')
    expect(typing({ target: document.activeElement, key: '1' })).toBe(false)
  })
})

describe('a key', () => {
  const made = (html: string) => {
    const box = document.createElement('div')
    box.innerHTML = html
    return box.firstElementChild
  }
  it.each([
    ['<input>', 'n', true],
    ['<input type="search">', '/', true],
    ['<textarea></textarea>', '1', true],
    ['<input type="radio">', '1', false],
    ['<input type="checkbox">', 'n', false],
    ['<input type="range">', '2', false],
    ['<input type="file">', 'n', false],
    ['<select></select>', '3', false],
    ['<select></select>', 'n', true],
    ['<button></button>', 'n', false],
  ])('in %s, “%s”, belongs to the field: %s', (html, key, own) => {
    expect(typing({ target: made(html), key })).toBe(own)
  })
})
