import { lazy } from 'react'
import { again } from '../../app/again'
import type { KindPages } from '../kind'

export const rollsPages: KindPages<'rolls'> = {
  Job: lazy(async () => ({ default: (await again(() => import('./RollsJob'))).RollsJob })),
  steps: {
    line: lazy(async () => ({ default: (await again(() => import('./LineStep'))).LineStep })),
    read: lazy(async () => ({ default: (await again(() => import('./ReadStep'))).ReadStep })),
    move: lazy(async () => ({ default: (await again(() => import('./MoveStep'))).MoveStep })),
  },
  Line: lazy(async () => ({ default: (await again(() => import('./LineForm'))).LineForm })),
}
