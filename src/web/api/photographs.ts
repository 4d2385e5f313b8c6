import type { Photograph } from '../../core/job/photographs'
import { photographWords } from '../../words/page/photographs'
import { sentenceOf } from './client'

/** The longer side of a picture that is sent, px: a stamped number is still read from it. */
const longest = 1600

/** The picture made small; the canvas it goes through leaves everything behind that is no picture. */
async function small(file: File): Promise<Blob> {
  const { default: Compressor } = await import('compressorjs')
  return new Promise((done, failed) => {
    new Compressor(file, {
      maxWidth: longest,
      maxHeight: longest,
      quality: 0.8,
      mimeType: file.type === 'image/png' && file.size < 300_000 ? 'image/png' : 'image/jpeg',
      strict: false,
      success: done,
      error: () => failed(new Error(photographWords.notAPicture)),
    })
  })
}

/** Sends a picture; the server names it by what it is. */
export async function sendPhotograph(file: File): Promise<Pick<Photograph, 'id' | 'type'>> {
  const response = await fetch('/api/photographs', { method: 'POST', body: await small(file) })
  if (!response.ok) throw new Error(await sentenceOf(response))
  return (await response.json()) as Pick<Photograph, 'id' | 'type'>
}
