import PDFDocument from 'pdfkit'
import { toBuffer } from 'qrcode'
import { ink, muted, rule } from '../../drawing/print'
import { joined } from '../../print/tagged'
import { asPrinted } from '../../print/type'
import { t } from '../../words/language'
import { onServer } from './paper'

/** Three across and seven down on A4, to be cut out and put up at the machines. */
const [across, down, wide, high, left, top] = [3, 7, 177, 110, 32, 36]

/** A line, and where its code leads. */
export interface Tagged {
  name: string
  area: string
  address: string
}

/** Tags as PDF: name, area, and a code that opens an address. */
export async function tagsPdf(tags: readonly Tagged[]): Promise<Uint8Array> {
  const doc = new PDFDocument({
    size: 'A4',
    margin: 0,
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en',
    displayTitle: true,
    info: { Title: t`Tags`, Creator: 'Vane Peg', Producer: 'Vane Peg' },
  })
  const chunks: Uint8Array[] = []
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk))
  const ended = new Promise<void>((done) => doc.on('end', done))
  for (const weight of [400, 700] as const)
    doc.registerFont(String(weight), onServer.fontAt({ font: 'noto-sans', subset: 'latin', weight }))
  const root = doc.struct('Document')
  doc.addStructure(root)
  for (const [i, { name, area, address }] of tags.entries()) {
    const place = i % (across * down)
    if (i > 0 && place === 0) doc.addPage()
    const [x, y] = [left + (place % across) * wide, top + Math.floor(place / across) * high]
    const code = await toBuffer(address, { margin: 0, errorCorrectionLevel: 'M', scale: 6 })
    const tag = doc.struct('Figure', {
      alt: t`${name}: a code that opens its logbook`,
      bbox: [x, y, x + wide, y + high],
      placement: 'Block',
    } as object)
    root.add(tag)
    tag.add(() => {
      doc
        .rect(x, y, wide - 6, high - 6)
        .lineWidth(0.5)
        .dash(2, { space: 3 })
        .stroke(rule)
        .undash()
      doc.image(code, x + 8, y + 8, { width: 84, height: 84 })
      const text = { width: wide - 112, lineBreak: true, ellipsis: true }
      doc
        .font('700')
        .fontSize(11)
        .fillColor(ink)
        .text(asPrinted(name), x + 100, y + 10, { ...text, height: 46 })
      doc
        .font('400')
        .fontSize(8.5)
        .fillColor(muted)
        .text(asPrinted(area), x + 100, y + 60, { ...text, height: 24 })
      doc.fontSize(7).text('Vane Peg', x + 100, y + 84, text)
    })
    tag.end()
  }
  root.end()
  doc.end()
  await ended
  return joined(chunks)
}
