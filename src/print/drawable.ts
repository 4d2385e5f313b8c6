import { unzlibSync } from 'fflate'
import { joined, mostDots, pictureSize, pictureType } from '../core/job/pictures'

/**
 * Whether a picture can be drawn on a page. The library of the page throws at one that it cannot read, and of some it throws when
 * nobody can catch it any more: a picture never stops a record.
 */
export function canBeDrawn(bytes: Uint8Array): boolean {
  const type = pictureType(bytes)
  const size = type && pictureSize(bytes, type)
  if (!type || !size || size.across * size.down === 0 || size.across * size.down > mostDots) return false
  if (type === 'image/jpeg') return true
  try {
    const dots = unzlibSync(imageData(bytes))
    const [depth = 0, color = -1] = bytes.subarray(24, 26)
    const interlaced = bytes[28] ?? 0
    const channels = ({ 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 } as const)[color as 0] ?? 0
    const row = 1 + Math.ceil((size.across * channels * depth) / 8)
    return channels > 0 && (interlaced !== 0 || dots.length === row * size.down)
  } catch {
    return false
  }
}

/** The packed dots of a PNG, from all of its pieces. */
function imageData(bytes: Uint8Array): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const pieces: Uint8Array[] = []
  for (let at = 8; at + 12 <= bytes.length; ) {
    const length = view.getUint32(at)
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    if (name === 'IDAT') pieces.push(bytes.subarray(at + 8, at + 8 + length))
    at += 12 + length
  }
  return joined(pieces)
}
