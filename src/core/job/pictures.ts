import { type Photograph, photographTypes } from './photographs'

type Type = Photograph['type']

/** What a picture is by its first bytes, whatever it is called. */
export function pictureType(bytes: Uint8Array): Type | undefined {
  const starts = (...magic: number[]) => magic.every((byte, i) => bytes[i] === byte)
  if (starts(0xff, 0xd8, 0xff)) return photographTypes[0]
  if (starts(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return photographTypes[1]
  return undefined
}

/**
 * A picture without what a camera writes into it beside the picture: place, time, maker. Of a JPEG every application segment
 * and comment goes, of a PNG every chunk that is not needed to draw it.
 *
 * @returns undefined where the bytes are no whole picture of that type
 */
export function withoutMetadata(bytes: Uint8Array, type: Type): Uint8Array | undefined {
  return type === 'image/jpeg' ? bareJpeg(bytes) : barePng(bytes)
}

const word = (bytes: Uint8Array, at: number): number => ((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0)

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}

function bareJpeg(bytes: Uint8Array): Uint8Array | undefined {
  const kept = [bytes.subarray(0, 2)]
  for (let at = 2; at + 4 <= bytes.length; ) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1] ?? 0
    // from here on it is the picture itself
    if (marker === 0xda) return joined([...kept, bytes.subarray(at)])
    const end = at + 2 + word(bytes, at + 2)
    if (end > bytes.length || end < at + 4) return undefined
    // APP0 says how large a dot is and APP14 how colours are meant; APP1 to APP13, APP15 and comments are the camera's
    const app = marker >= 0xe0 && marker <= 0xef
    if (!((app && marker !== 0xe0 && marker !== 0xee) || marker === 0xfe)) kept.push(bytes.subarray(at, end))
    at = end
  }
  return undefined
}

/** Chunks that a picture is drawn from. */
const drawnFrom = new Set(['IHDR', 'PLTE', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'pHYs', 'IDAT', 'IEND'])

function barePng(bytes: Uint8Array): Uint8Array | undefined {
  const kept = [bytes.subarray(0, 8)]
  for (let at = 8; at + 12 <= bytes.length; ) {
    const length = word(bytes, at) * 65_536 + word(bytes, at + 2)
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    const end = at + 12 + length
    if (end > bytes.length) return undefined
    if (drawnFrom.has(name)) kept.push(bytes.subarray(at, end))
    if (name === 'IEND') return joined(kept)
    at = end
  }
  return undefined
}
