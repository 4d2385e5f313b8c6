const weights = [0.31938153, -0.356563782, 1.781477937, -1.821255978, 1.330274429]

/**
 * Chance that a normal variable of unit deviation lies below x, to 7.5e-8 (Abramowitz & Stegun, Handbook of Mathematical
 * Functions, 26.2.17).
 */
export function normalCdf(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x))
  const tail = weights.reduceRight((sum, weight) => t * (weight + sum), 0)
  const above = (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * tail
  return x < 0 ? above : 1 - above
}

/** Chance that a normal variable lies within a limit on both sides of nought. */
export function chanceWithinLimit({ value, sd }: { value: number; sd: number }, limit: number): number {
  if (sd === 0) return Math.abs(value) <= limit ? 1 : 0
  return Math.max(0, normalCdf((limit - value) / sd) - normalCdf((-limit - value) / sd))
}
