import { later } from '../../app/later'

/** Pictures of a step: they stand below everything else, and what drops them in is heavy. */
export const Photographs = later(async () => (await import('./Pictures')).Pictures)
