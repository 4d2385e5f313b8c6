import { Waiting } from '../../app/Plain'
import { part } from '../../app/part'
import type { KindPages } from '../kind'
import { fetchArithmetic } from './move/useArithmetic'

export const trainPages: KindPages<'train'> = {
  Job: part(async () => (await import('./TrainJob')).TrainJob, Waiting),
  steps: {
    line: part(async () => (await import('./line/JobLine')).JobLine, Waiting),
    read: part(async () => (await import('./read/ReadStep')).ReadStep, Waiting),
    move: part(async () => (await Promise.all([import('./move/MoveStep'), fetchArithmetic()]))[0].MoveStep, Waiting),
  },
  Line: part(async () => (await import('./line/LineEditor')).LineEditor, Waiting),
  ReadyMore: part(async () => (await import('./ready/Rough')).Rough),
  SeatMore: part(async () => (await import('./seat/Spreads')).Spreads),
}
