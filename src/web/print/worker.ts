import '../../core/kinds/all'
import '../../words/all'
import { pdf } from '@react-pdf/renderer'
import { expose } from 'comlink'
import wasm from 'highs/runtime?url'
import type { ReactElement } from 'react'
import { solverLiesAt } from '../../planner/highs'
import { solveDocument } from '../../planner/solveDocument'
import { moveSheetPdf, readingSheetPdf, reportPdf } from '../../print'
import { type Paper, printOn } from '../../print/paper'
import { sheetPdf } from '../../print/tagged'
import { type FontName, fontFile, subsets, weights } from '../../print/type'

/** Addresses of the printed pages' fonts, by their file. */
const addresses: Readonly<Record<string, string>> = import.meta.glob(
  [
    '/../../node_modules/@fontsource/atkinson-hyperlegible-*/files/*-latin-400-normal.woff',
    '/../../node_modules/@fontsource/atkinson-hyperlegible-*/files/*-latin-700-normal.woff',
    '/../../node_modules/@fontsource/atkinson-hyperlegible-next/files/*-latin-ext-400-normal.woff',
    '/../../node_modules/@fontsource/atkinson-hyperlegible-next/files/*-latin-ext-700-normal.woff',
    '/../../node_modules/@fontsource/noto-sans/files/*-400-normal.woff',
    '/../../node_modules/@fontsource/noto-sans/files/*-700-normal.woff',
  ],
  { query: '?url', import: 'default', eager: true },
)
const fontAt = (font: FontName): string => {
  const file = fontFile(font)
  const found = Object.entries(addresses).find(([path]) => path.endsWith(`/@fontsource/${file}`))
  if (!found) throw new Error(`Font ${file} not found.`)
  return found[1]
}

const fontsRead = new Map<string, Uint8Array>()

/** The fonts have to be there before a page is laid out. */
async function fonts(): Promise<void> {
  const names = subsets.flatMap(([, font, subset]) => weights.map((weight) => ({ font, subset, weight })))
  await Promise.all(
    names.map(async (name) => {
      const file = fontFile(name)
      if (fontsRead.has(file)) return
      const answer = await fetch(fontAt(name))
      if (!answer.ok) throw new Error(`Font ${file} is not saved on this tablet.`)
      fontsRead.set(file, new Uint8Array(await answer.arrayBuffer()))
    }),
  )
}

const here: Paper = {
  fontAt: (name) => new URL(fontAt(name), location.origin).href,
  fontBytes: (name) => {
    const found = fontsRead.get(fontFile(name))
    if (!found) throw new Error(`Font ${fontFile(name)} is not loaded yet.`)
    return found
  },
  render: async (document: ReactElement) => {
    const blob = await pdf(document as Parameters<typeof pdf>[0]).toBlob()
    return new Uint8Array(await blob.arrayBuffer())
  },
}

/** What is printed and worked out on a tablet: what the server does, from the same parts. */
const printer = {
  /** The result document of a survey document. */
  result: solveDocument,
  async report(...given: Parameters<typeof reportPdf>) {
    printOn(here)
    return reportPdf(...given)
  },
  async moves(...given: Parameters<typeof moveSheetPdf>) {
    printOn(here)
    return moveSheetPdf(...given)
  },
  async record(...given: Parameters<typeof sheetPdf>) {
    printOn(here)
    await fonts()
    return sheetPdf(...given)
  },
  async sheet(...given: Parameters<typeof readingSheetPdf>) {
    printOn(here)
    await fonts()
    return readingSheetPdf(...given)
  },
}

solverLiesAt(wasm)

export type Printer = typeof printer

expose(printer)
