/**
 * How much a rim dial reads low on top and at the bottom when the shafts stand apart sideways by `sideways`: its tip has come
 * off the crown of a hub of that radius. `R − √(R² − y²)`, mm. Where top and bottom are both read it falls out of their
 * difference; where one of them is taken from the other three readings it does not.
 */
export const offTheCrown = (sideways: number, radius: number): number =>
  Math.abs(sideways) < radius ? radius - Math.sqrt(radius * radius - sideways * sideways) : radius

export type OrderSchool = 'vertical-first' | 'sideways-first' | 'together'
