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

/** Bytes one after the other. */
export function joined(parts: readonly Uint8Array[]): Uint8Array {
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
  let scanned = false
  for (let at = 2; at + 2 <= bytes.length; ) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1] ?? 0
    // bytes that only fill up
    if (marker === 0xff) {
      at++
      continue
    }
    // what comes after its end is another picture, with its own place and time
    if (marker === 0xd9) return scanned ? joined([...kept, bytes.subarray(at, at + 2)]) : undefined
    if (marker === 0xda) {
      const scan = endOfScan(bytes, at)
      if (scan === undefined) return undefined
      kept.push(bytes.subarray(at, scan))
      scanned = true
      at = scan
      continue
    }
    const end = at + 2 + word(bytes, at + 2)
    if (end > bytes.length || end < at + 4) return undefined
    // APP0 says how large a dot is and APP14 how colors are meant; APP1 to APP13, APP15 and comments are the camera's
    const app = marker >= 0xe0 && marker <= 0xef
    // one that is longer than it has to be holds a small picture of its own
    const plain = (marker === 0xe0 && end - at <= 18) || (marker === 0xee && end - at <= 16)
    if (!((app && !plain) || marker === 0xfe)) kept.push(bytes.subarray(at, end))
    at = end
  }
  return undefined
}

/** Where the data of a scan ends: at the next marker that is no part of it; undefined where it never does. */
function endOfScan(bytes: Uint8Array, at: number): number | undefined {
  for (let i = at + 2 + word(bytes, at + 2); i + 1 < bytes.length; i++) {
    const next = bytes[i + 1] ?? 0
    const stuffed = next === 0x00 || next === 0xff || (next >= 0xd0 && next <= 0xd7)
    if (bytes[i] === 0xff && !stuffed) return i
  }
  return undefined
}

/** The most dots of a picture: larger ones take more memory to draw than a tablet or a server should give. */
export const mostDots = 40_000_000

/** How many dots a picture has across and down; undefined where it does not say. */
export function pictureSize(bytes: Uint8Array, type: Type): { across: number; down: number } | undefined {
  if (type === 'image/png') {
    const long = (at: number) => word(bytes, at) * 65_536 + word(bytes, at + 2)
    return bytes.length < 24 ? undefined : { across: long(16), down: long(20) }
  }
  for (let at = 2; at + 9 <= bytes.length; ) {
    if (bytes[at] !== 0xff) return undefined
    const marker = bytes[at + 1] ?? 0
    const frame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)
    if (frame) return { across: word(bytes, at + 7), down: word(bytes, at + 5) }
    at += 2 + word(bytes, at + 2)
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
