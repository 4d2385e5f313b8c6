import { lazy } from 'react'
import { again } from '../../app/again'
import type { KindPages } from '../kind'

export const trainPages: KindPages<'train'> = {
  Job: lazy(async () => ({ default: (await again(() => import('./TrainJob'))).TrainJob })),
  steps: {
    line: lazy(async () => ({ default: (await again(() => import('./line/JobLine'))).JobLine })),
    read: lazy(async () => ({ default: (await again(() => import('./read/ReadStep'))).ReadStep })),
    move: lazy(async () => ({ default: (await again(() => import('./move/MoveStep'))).MoveStep })),
  },
  Line: lazy(async () => ({ default: (await again(() => import('./line/LineEditor'))).LineEditor })),
  ReadyMore: lazy(async () => ({ default: (await again(() => import('./ready/Rough'))).Rough })),
  SeatMore: lazy(async () => ({ default: (await again(() => import('./seat/Spreads'))).Spreads })),
}
