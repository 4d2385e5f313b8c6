import type { Photograph } from '../../core/job/photographs'
import { photographWords } from '../../words/page/photographs'
import { keepPicture } from '../tablet/pictures'

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

/** Takes a picture in: kept on this tablet, named by what it is, and sent when the server is there. */
export async function sendPhotograph(file: File): Promise<Pick<Photograph, 'id' | 'type'>> {
  return keepPicture(await small(file))
}
