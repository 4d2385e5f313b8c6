/** Linear expansion, per kelvin: usual values of the trade for what carries a shaft. */
export const expansion = { steel: 11.7e-6, 'grey-iron': 10.4e-6, aluminium: 23e-6 } as const

export type ExpandingMaterial = keyof typeof expansion

/**
 * How much a support grows: `α · L · ΔT`.
 *
 * @param height from the foot to the shaft's center, mm
 * @param kelvin running less cold
 * @returns mm
 */
export const growthOfSupport = (material: ExpandingMaterial, height: number, kelvin: number): number =>
  expansion[material] * height * kelvin
