/**
 * The value that χ² with `free` degrees of freedom exceeds once in a thousand times.
 * Wilson and Hilferty's cube: free·(1 − 2/(9·free) + z·√(2/(9·free)))³ with z = 3.09.
 */
export function chiSquareQuantile999(free: number): number {
  if (free <= 0) return Number.POSITIVE_INFINITY
  const a = 2 / (9 * free)
  return free * (1 - a + 3.09 * Math.sqrt(a)) ** 3
}

/** Above so many free readings the told deviation itself is tested more sharply than anybody knows it. */
const sweep = 60

/**
 * Whether what a fit leaves over is more than chance would: the readings contradict each other. A sweep is allowed twice
 * the told deviation, since nobody knows that to a hundredth.
 */
export const contradicts = ({ squares, free }: { squares: number; free: number }): boolean =>
  squares > (free > sweep ? 4 * free : chiSquareQuantile999(free))
