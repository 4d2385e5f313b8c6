import { useEffect, useState } from 'react'
import { inOneStep } from '../notebook/oneStep'

/**
 * A block copied from a spreadsheet and pasted into a cell goes down and to the right from there, in every table and every column of
 * readings. A table: `table` with `tr`, or `data-rows` with `data-row`. Readings that are taken one after the other: `data-column`;
 * a further column of the block goes to the next of them.
 */

const fields = 'input:not([type]), input[type="text"]'

const block = (text: string): string[][] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))

const fieldsIn = (element: Element): HTMLInputElement[] => [...element.querySelectorAll<HTMLInputElement>(fields)]

/** Which field each cell of a block goes to, begun at a field of a table; undefined where that is in none. */
function inTable(
  first: HTMLInputElement,
  cells: readonly (readonly string[])[],
): [HTMLInputElement, string][] | undefined {
  const row = first.closest('tr, [data-row]')
  const table = row?.closest('table, [data-rows]')
  if (!row || !table) return undefined
  const rows = [...table.querySelectorAll('tr, [data-row]')].map(fieldsIn).filter((all) => all.length > 0)
  const [down, across] = [rows.findIndex((all) => all.includes(first)), fieldsIn(row).indexOf(first)]
  return cells.flatMap((line, i) =>
    line.flatMap((text, j): [HTMLInputElement, string][] => {
      const at = rows[down + i]?.[across + j]
      return at ? [[at, text]] : []
    }),
  )
}

/** The same where readings stand in columns of their own: a single column, or a single row, goes on into the next one. */
function inColumns(
  first: HTMLInputElement,
  cells: readonly (readonly string[])[],
): [HTMLInputElement, string][] | undefined {
  const column = first.closest('[data-column]')
  if (!column) return undefined
  const all = [...(column.closest('main') ?? document).querySelectorAll('[data-column]')].map(fieldsIn)
  const at = all.findIndex((own) => own.includes(first))
  const down = all[at]?.indexOf(first) ?? 0
  const wide = Math.max(...cells.map((line) => line.length))
  if (cells.length === 1 || wide === 1) {
    const order = all.slice(at).flat().slice(down)
    return cells.flat().flatMap((text, i) => (order[i] ? [[order[i], text] as [HTMLInputElement, string]] : []))
  }
  return cells.flatMap((line, i) =>
    line.flatMap((text, j): [HTMLInputElement, string][] => {
      const field = all[at + j]?.[down + i]
      return field ? [[field, text]] : []
    }),
  )
}

/** Types into a field as a person would; the framework does not see a value that is only set. */
function type(field: HTMLInputElement, text: string): void {
  if (field.readOnly || field.disabled) return
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(field, text)
  field.dispatchEvent(new Event('input', { bubbles: true }))
  // what was typed is shown as it is kept, where nobody goes on typing
  if (field !== document.activeElement) field.dispatchEvent(new FocusEvent('focusout', { bubbles: true }))
}

/** @returns how many numbers had no place; undefined where no block was pasted */
function pasted(event: ClipboardEvent): number | undefined {
  const { target, clipboardData } = event
  if (!(target instanceof HTMLInputElement) || !target.matches(fields) || !clipboardData) return undefined
  const cells = block(clipboardData.getData('text'))
  if (cells.length === 1 && cells[0]?.length === 1) return undefined
  const places = inTable(target, cells) ?? inColumns(target, cells)
  if (!places) return undefined
  event.preventDefault()
  event.stopImmediatePropagation()
  inOneStep(() => {
    for (const [field, text] of places) type(field, text)
  })
  const filled = (texts: readonly string[]) => texts.filter(Boolean).length
  return filled(cells.flat()) - filled(places.map(([, text]) => text))
}

/** Looks after what is pasted on every screen; tells how many numbers of the last block had no place, until that was seen. */
export function usePastedBlocks(): { count: number; seen: () => void } {
  const [count, setCount] = useState(0)
  useEffect(() => {
    const paste = (event: ClipboardEvent) => {
      const lost = pasted(event)
      if (lost !== undefined) setCount(lost)
    }
    document.addEventListener('paste', paste, true)
    return () => document.removeEventListener('paste', paste, true)
  }, [])
  return { count, seen: () => setCount(0) }
}
