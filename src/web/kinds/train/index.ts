import { lazy } from 'react'
import { again } from '../../app/again'
import type { KindPages } from '../kind'
import { fetchArithmetic } from './move/useArithmetic'

export const trainPages: KindPages<'train'> = {
  Job: lazy(async () => ({ default: (await again(() => import('./TrainJob'))).TrainJob })),
  steps: {
    line: lazy(async () => ({ default: (await again(() => import('./line/JobLine'))).JobLine })),
    read: lazy(async () => ({ default: (await again(() => import('./read/ReadStep'))).ReadStep })),
    move: lazy(async () => {
      const [{ MoveStep }] = await Promise.all([again(() => import('./move/MoveStep')), fetchArithmetic()])
      return { default: MoveStep }
    }),
  },
  Line: lazy(async () => ({ default: (await again(() => import('./line/LineEditor'))).LineEditor })),
  ReadyMore: lazy(async () => ({ default: (await again(() => import('./ready/Rough'))).Rough })),
  SeatMore: lazy(async () => ({ default: (await again(() => import('./seat/Spreads'))).Spreads })),
}
