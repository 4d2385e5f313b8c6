/** How strict: the speed at which the halves of the coupling may slide on each other, mm/s. */
export const slipSpeeds = { fine: 8, standard: 12, coarse: 18 } as const
export type SlipGrade = keyof typeof slipSpeeds

/**
 * What wears a flexible coupling is the speed at which its halves slide on each other once a turn. Allowed offset `v/ω`,
 * allowed slope `v/(2Rω)`, with `ω = 2π·rpm/60`.
 *
 * @param rpm turns a minute, > 0
 * @param radius of the coupling, mm, > 0
 * @returns offset in mm, slope in rad
 */
export function slipSpeedLimits(rpm: number, radius: number, grade: SlipGrade): { offset: number; slope: number } {
  const omega = (2 * Math.PI * rpm) / 60
  const offset = slipSpeeds[grade] / omega
  return { offset, slope: offset / (2 * radius) }
}
