import { Waiting } from '../../app/Plain'
import { part } from '../../app/part'
import type { KindPages } from '../kind'

export const borePages: KindPages<'bore'> = {
  Job: part(async () => (await import('./BoreJob')).BoreJob, Waiting),
  steps: {
    line: part(async () => (await import('./LineStep')).LineStep, Waiting),
    read: part(async () => (await import('./ReadStep')).ReadStep, Waiting),
    move: part(async () => (await import('./MoveStep')).MoveStep, Waiting),
  },
  Line: part(async () => (await import('./LineForm')).LineForm, Waiting),
}
