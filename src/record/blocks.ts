import type { VerdictState } from '../core/verdict/state'
import type { Scene } from '../drawing/scene'

/** A printed page as data, in the order it is read: the page, the PDF and the plain text are made from the same blocks. */

export type Block =
  | { kind: 'heading'; text: string; level: 1 | 2 }
  | { kind: 'verdict'; peg: VerdictState; text: string }
  | { kind: 'text'; text: string; quiet?: boolean }
  | { kind: 'list'; items: readonly Item[] }
  | Table
  | { kind: 'drawing'; scene: Scene; title: string; label: string }
  /** Lines to be signed by hand, or by whom and when it was signed. */
  | { kind: 'signatures'; lines: readonly { title: string; by: string }[] }
  | { kind: 'photograph'; id: string; label: string }
  /** What follows begins a new page on paper. */
  | { kind: 'page' }

export interface Item {
  peg?: VerdictState
  text: string
}

export interface Table {
  kind: 'table'
  title: string
  head: readonly string[]
  rows: readonly (readonly string[])[]
  /** Columns of numbers, by index: set to the right. */
  numbers?: readonly number[]
  /** To be written in by hand: high rows, a box for each cell. */
  blank?: boolean
}

/** Everything of a printed document. */
export interface Sheet {
  title: string
  /** Under the title; and on the right of the head. */
  under: readonly string[]
  beside: readonly string[]
  /** A picture at the head, on the right, by its id. */
  mark?: { id: string; label: string }
  /** At the foot of every page. */
  foot: string
  blocks: readonly Block[]
}

/** A sheet as plain text, for a message: without its drawings, down to where the appendix begins. */
export function plainText({ title, under, blocks }: Sheet): string {
  const end = blocks.findIndex(({ kind }) => kind === 'page')
  const told = (end < 0 ? blocks : blocks.slice(0, end)).flatMap((block): string[] => {
    switch (block.kind) {
      case 'heading':
        return ['', block.text]
      case 'verdict':
      case 'text':
        return [block.text]
      case 'list':
        return block.items.map(({ text }) => `- ${text}`)
      case 'table':
        return ['', block.title, ...block.rows.map((row) => row.filter(Boolean).join(', '))]
      case 'signatures':
        return block.lines.map(({ title: what, by }) => `${what}: ${by}`)
      default:
        return []
    }
  })
  return `${[title, under.filter(Boolean).join(' · '), ...told].join('\n').trim()}\n`
}
