/**
 * How much a rim dial reads low on top and at the bottom when the shafts stand apart sideways by `sideways`: its tip has come
 * off the crown of a hub of that radius. `R − √(R² − y²)`, mm. Where top and bottom are both read it falls out of their
 * difference; where one of them is taken from the other three readings it does not.
 */
export const offTheCrown = (sideways: number, radius: number): number =>
  Math.abs(sideways) < radius ? radius - Math.sqrt(radius * radius - sideways * sideways) : radius

/** How far off the crown a dial may stand until it reads lower than `low`, mm: near enough to lift. */
export const crownWithin = (low: number, radius: number): number => Math.sqrt(Math.max(0, 2 * radius * low - low * low))

export type OrderSchool = 'vertical-first' | 'sideways-first' | 'together'
