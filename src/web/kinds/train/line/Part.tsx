import type { ReactNode } from 'react'
import styled from 'styled-components'
import { isSameName } from '../../../../core/kinds/train/document/make'
import type { Line } from '../../../../core/kinds/train/document/schema'
import type { Stations } from '../../../../core/kinds/train/document/stations'
import { Muted } from '../../../parts/controls'

export type Change = (change: (line: Line) => Line, mark?: string) => void
export type LineStation = NonNullable<Line['couplings'][number]['station']>

/** What every part of a line's sheet works with. */
export interface LineSheet {
  line: Line
  unit: 'mm' | 'mil'
  frozen: boolean
  stations: Stations
  onChange: Change
  /** The part that stands open, here and on the drawing. */
  part: string | undefined
  open: (id: string | undefined) => void
  /** What a station may be measured from. */
  elsewhere: (id: string) => readonly { value: string; text: string }[]
  setStation: (id: string, change: Partial<LineStation>) => void
  /** What an alteration would drop besides, as a sentence with a blank at its end. */
  dropped: (line: Line) => string
}

export const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 12px;`
export const Row = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: end; margin-top: 14px;`
const Opened = styled.details`
  border-top: 1px solid var(--rule); &:first-of-type { border-top: 0; } section { padding: 4px 0 14px; }
  summary { min-height: 44px; cursor: pointer; display: flex; flex-wrap: wrap; gap: 2px 12px; align-items: center; list-style: none; }
  summary::before { content: '›'; font-size: 22px; line-height: 1; color: var(--kelp); width: 8px; } &[open] summary::before { transform: rotate(90deg); }
  summary::-webkit-details-marker { display: none; }
`

/** A machine or a coupling: one line until it is opened, here or on the drawing. */
export function Part(props: {
  name: string
  told: string
  open: boolean
  onOpen: (open: boolean) => void
  children: ReactNode
}) {
  return (
    <Opened
      open={props.open}
      onToggle={({ currentTarget }) => props.open !== currentTarget.open && props.onOpen(currentTarget.open)}
    >
      <summary>
        <b>{props.name}</b> <Muted>{props.told}</Muted>
      </summary>
      <section aria-label={props.name}>{props.children}</section>
    </Opened>
  )
}

export const namedTwice = <T extends { name: string }>(all: readonly T[], one: T): boolean =>
  all.some((other) => other !== one && isSameName(other.name, one.name))
