/**
 * Length of a belt's free span between two sheaves, `√(C² − ((D − d)/2)²)`, mm; undefined where they would overlap.
 *
 * @param distance from shaft to shaft, mm
 */
export function freeSpan(distance: number, diameter: number, other: number): number | undefined {
  const square = distance ** 2 - ((diameter - other) / 2) ** 2
  return distance > 0 && square > 0 ? Math.sqrt(square) : undefined
}

/** How far a belt is pressed in at the middle of its span while the maker's force is told: a sixty-fourth of it. */
export const deflectionOf = (span: number): number => span / 64

/**
 * Tension of a plucked belt, `4·m·t²·f²`, N.
 *
 * @param mass of the belt, kg/m; @param span mm; @param frequency Hz
 */
export const tensionOf = (mass: number, span: number, frequency: number): number =>
  4 * mass * (span / 1000) ** 2 * frequency ** 2

/**
 * How fast a belt runs, `π·D·n/60`, m/s.
 *
 * @param diameter of a sheave, mm; @param rpm its turns a minute
 */
export const beltSpeed = (diameter: number, rpm: number): number => (Math.PI * (diameter / 1000) * rpm) / 60
