import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** The words of a PDF, page by page, as a reader would copy them out. */
export async function pdfText(bytes: Uint8Array): Promise<string> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages: string[] = []
  for (let n = 1; n <= pdf.numPages; n++) {
    const { items } = await (await pdf.getPage(n)).getTextContent()
    pages.push(items.map((item) => ('str' in item ? item.str + (item.hasEOL ? '\n' : '') : '')).join(''))
  }
  await pdf.destroy()
  return pages.join('\n').replace(/[\s\u00A0]+/g, ' ')
}
