import type { VerdictState } from '../core/verdict/state'

/** What a stroke or a word is for; each renderer (page, print) has one style for each. */
export type Role =
  | 'shaft'
  | 'shaft-fixed'
  | 'shaft-doubtful'
  | 'ghost'
  | 'reference'
  | 'fan'
  | 'body'
  | 'hatch'
  | 'foot'
  | 'gap'
  | 'gate'
  | 'dial'
  | 'divider'
  | 'scale'
  | 'target'
  | 'running'
  | 'live'
  | 'stop'
  | 'square'
  | 'square-fifth'
  | 'plotted'

export type TextRole = 'plane' | 'name' | 'number' | 'small'

export type Point = readonly [x: number, y: number]

/** A drawing as data: points in px, y down. Renderers only draw. */
export type Shape =
  | { kind: 'line'; role: Role; points: readonly Point[] }
  | { kind: 'area'; role: Role; points: readonly Point[] }
  | { kind: 'text'; role: TextRole; at: Point; anchor: 'start' | 'middle' | 'end'; text: string }
  | { kind: 'peg'; at: Point; peg: VerdictState; size: number }

/** Something that can be pointed at: its shapes, where it is, and its numbers in words. */
export interface Spot {
  id: string
  label: string
  at: Point
  shapes: Shape[]
}

/** A point of a line that can be dragged up and down. */
export interface Handle {
  id: string
  plane: 'vertical' | 'horizontal'
  /** Its station, mm. */
  x: number
  /** At an end of the train. */
  end: boolean
  at: Point
  /** mm, up or toward the far side; and how many of them one px downward is. */
  value: number
  mmPerPx: number
  label: string
  /** Its value in words. */
  told: string
}

export interface Scene {
  width: number
  height: number
  shapes: Shape[]
  spots: Spot[]
  handles: Handle[]
}

/** Width of a letter of a name, px, on average. */
const letter = 7.3

/** A name as much of it as there is room for, px, and what follows it where that fits as well. */
export function fitted(name: string, after: string, room: number): string {
  const letters = Math.floor(room / letter)
  if (name.length + after.length <= letters) return name + after
  if (name.length <= letters) return name
  return `${name.slice(0, Math.max(3, letters - 1)).trimEnd()}…`
}
