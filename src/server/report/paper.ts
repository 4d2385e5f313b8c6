import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { renderToBuffer } from '@react-pdf/renderer'
import { type Paper, printOn } from '../../print/paper'
import { fontFile } from '../../print/type'

const { resolve } = createRequire(import.meta.url)

const fontAt: Paper['fontAt'] = (font) => resolve(`@fontsource/${fontFile(font)}`)

/** Printing on the server: fonts lie in their packages. */
export const onServer: Paper = {
  fontAt,
  fontBytes: (font) => readFileSync(fontAt(font)),
  render: async (document) => new Uint8Array(await renderToBuffer(document as Parameters<typeof renderToBuffer>[0])),
}

printOn(onServer)
