/** A pack of shims drawn from the side, px: the bottom one first. */
export interface PackDrawing {
  width: number
  height: number
  strips: { y: number; height: number; size: number; kept: boolean }[]
}

/**
 * Two packs beside each other want one scale: how many px a millimeter is when the thicker of them is so high. A thin shim is
 * never thinner than a strip one can see.
 */
export function packDrawing(
  sizes: readonly number[],
  other: readonly number[],
  { width, height }: { width: number; height: number },
): PackDrawing {
  const thin = 11
  const gap = 1.5
  const total = (pack: readonly number[]) => pack.reduce((sum, size) => sum + size, 0)
  const most = Math.max(total(sizes), total(other), 0.1)
  const pieces = Math.max(sizes.length, other.length, 1)
  const scale = Math.max(0, height - pieces * (thin + gap)) / most
  const rest = [...other]
  let y = height
  const strips = sizes.map((size) => {
    const at = rest.findIndex((one) => Math.abs(one - size) < 1e-6)
    if (at >= 0) rest.splice(at, 1)
    const high = thin + size * scale
    y -= high
    const strip = { y, height: high, size, kept: at >= 0 }
    y -= gap
    return strip
  })
  return { width, height, strips }
}
