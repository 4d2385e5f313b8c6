import { lazyAfterPaint } from '../../app/lazyAfterPaint'

/** Pictures of a step: they stand below everything else, and what drops them in is heavy. */
export const Photographs = lazyAfterPaint(async () => (await import('./Pictures')).Pictures)
