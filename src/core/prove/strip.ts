/** Speeds that motors usually turn at, rpm: the next grades up from a line's own. */
const usual = [750, 900, 1000, 1200, 1500, 1800, 3000, 3600]

/** What a speed of the strip is: the line's own, so many times that, or a usual one above it. */
export interface StripSpeed {
  rpm: number
  what: 'own' | 'usual' | { times: number }
}

/** The speeds to look at beside a line's own: half as fast again, twice as fast, and the next usual ones. rpm, slowest first. */
export function stripSpeeds(own: number): StripSpeed[] {
  const times: StripSpeed[] = [1.5, 2].map((factor) => ({ rpm: own * factor, what: { times: factor } }))
  const next = usual
    .filter((rpm) => rpm > own * 1.02 && times.every((one) => Math.abs(one.rpm / rpm - 1) > 0.02))
    .slice(0, 2)
  return [{ rpm: own, what: 'own' as const }, ...times, ...next.map((rpm) => ({ rpm, what: 'usual' as const }))].sort(
    (a, b) => a.rpm - b.rpm,
  )
}
