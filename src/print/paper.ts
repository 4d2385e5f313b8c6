import { Font } from '@react-pdf/renderer'
import type { ReactElement } from 'react'
import { type FontName, subsets, weights } from './type'

/** What printing needs of the place where it is done: a server, or a worker of the page. */
export interface Paper {
  /** Where a font lies: a path, or an address. */
  fontAt(font: FontName): string
  /** The font itself. */
  fontBytes(font: FontName): Uint8Array
  /** A document of the printer's parts as PDF. */
  render(document: ReactElement): Promise<Uint8Array>
}

let paper: Paper | undefined

/** Says where printing is done; before anything is printed. */
export function printOn(given: Paper): void {
  if (paper) return
  paper = given
  for (const [family, font, subset] of subsets)
    Font.register({
      family,
      fonts: weights.map((fontWeight) => ({ src: given.fontAt({ font, subset, weight: fontWeight }), fontWeight })),
    })
  Font.registerHyphenationCallback((word) => [word])
}

/** @throws Error before `printOn` */
export function thePaper(): Paper {
  if (!paper) throw new Error('No print target set.')
  return paper
}
