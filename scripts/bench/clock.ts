/** The p-th percentile of times, ms. */
export function percentile(times: readonly number[], p: number): number {
  const sorted = [...times].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor((p / 100) * sorted.length))] ?? Number.NaN
}

/** The best of many short batches, ms a call: what the code costs when the machine leaves it alone. */
export function bestOf(work: () => unknown, calls = 50, batches = 80): number {
  let best = Number.POSITIVE_INFINITY
  for (let batch = 0; batch < batches; batch++) {
    const begun = performance.now()
    for (let i = 0; i < calls; i++) work()
    best = Math.min(best, (performance.now() - begun) / calls)
  }
  return best
}

export const row = (what: string, value: string, target = ''): string =>
  `${what.padEnd(62)} ${value.padStart(12)}${target ? `   target ${target}` : ''}`
