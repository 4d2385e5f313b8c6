import type { ReactNode } from 'react'
import type { AnyLine, KindName } from '../../core/kinds'
import type { Part } from '../app/part'
import type { JobFrame } from '../job/frame/context'
import type { OpenJob } from '../job/frame/open'

/** An open job, as its kind draws it. */
export interface JobProps<K extends KindName> {
  open: OpenJob
  frame: JobFrame<K>
}

/** A line on its own page, as its kind lets it be edited. */
export interface LineProps<K extends KindName> {
  line: AnyLine<K>
  unit: 'mm' | 'mil'
  flipped: boolean
  onChange: (change: (line: AnyLine<K>) => AnyLine<K>, mark?: string) => void
  /** What leads on from here. */
  onward: ReactNode
  children: ReactNode
}

/** The screens of one kind of line. Ready, Seat and the frame are the same for all; what a kind adds to them is here as well. */
export interface KindPages<K extends KindName> {
  /** The frame of a job with the kind's own drawing; solves the round, and hands its steps what they need. */
  Job: Part<JobProps<K>>
  /** The steps and the line's sheet, inside that frame. */
  steps: { line: Part; read: Part; move: Part }
  /** A line on a page of its own. */
  Line: Part<LineProps<K>>
  /** What Ready and Seat ask beside what they ask of every kind. */
  ReadyMore?: Part
  SeatMore?: Part<{ machine: string }>
}
