import { Waiting } from '../../app/Plain'
import { part } from '../../app/part'
import type { KindPages } from '../kind'

export const beltPages: KindPages<'belt'> = {
  Job: part(async () => (await import('./BeltJob')).BeltJob, Waiting),
  steps: {
    line: part(async () => (await import('./LineStep')).LineStep, Waiting),
    read: part(async () => (await import('./ReadStep')).ReadStep, Waiting),
    move: part(async () => (await import('./MoveStep')).MoveStep, Waiting),
  },
  Line: part(async () => (await import('./LineForm')).LineForm, Waiting),
}
