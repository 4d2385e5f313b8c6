import type { TrainFrame } from '../frame'

/**
 * Two frames that are the same for a part that shows nothing of the plan: while the target line is dragged, such a part is not
 * drawn again.
 */
export const sameButForPlan = (a: { frame: TrainFrame }, b: { frame: TrainFrame }): boolean =>
  a.frame.document === b.frame.document &&
  a.frame.round === b.frame.round &&
  a.frame.solved === b.frame.solved &&
  a.frame.terms === b.frame.terms &&
  a.frame.frozen === b.frame.frozen &&
  a.frame.plan?.held.join() === b.frame.plan?.held.join() &&
  a.frame.least.least === b.frame.least.least &&
  a.frame.least.working === b.frame.least.working &&
  a.frame.least.programs === b.frame.least.programs &&
  a.frame.least.canceled === b.frame.least.canceled &&
  a.frame.least.fault === b.frame.least.fault
