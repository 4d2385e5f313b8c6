import { create, type Font } from 'fontkit'
import PDFDocument from 'pdfkit'
import type { VerdictState } from '../core/verdict/state'
import { ink, letters, muted, pegColors, rule, strokes } from '../drawing/print'
import type { Scene, Shape } from '../drawing/scene'
import type { Block, Sheet, Table } from '../record/blocks'
import { t } from '../words/language'
import { pegWordIn } from '../words/record'
import { canBeDrawn } from './drawable'
import { thePaper } from './paper'
import { asPrintedAll, fontFile, subsets, weights } from './type'

/**
 * A sheet as PDF: A4, fonts inside, and tagged, so that a screen reader finds its headings, its tables with their headings,
 * and a sentence for every drawing. The same sheet gives the same bytes.
 */
export async function sheetPdf(
  given: Sheet,
  made: Date,
  photographs: ReadonlyMap<string, Uint8Array> = new Map(),
): Promise<Uint8Array> {
  const sheet = asPrintedAll(given)
  const doc = new PDFDocument({
    size: 'A4',
    margins: { top: 36, bottom: 44, left: margin, right: margin },
    pdfVersion: '1.7',
    tagged: true,
    lang: 'en',
    displayTitle: true,
    bufferPages: true,
    info: { Title: sheet.title, Creator: 'Vane Peg', Producer: 'Vane Peg', CreationDate: made, ModDate: made },
  })
  const chunks: Uint8Array[] = []
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk))
  const ended = new Promise<void>((done) => doc.on('end', done))
  new Printer(doc, photographs).sheet(sheet)
  doc.end()
  await ended
  return joined(chunks)
}

/** Pieces of a file, one after the other. */
export function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
}

const margin = 40
/** Above this a page has its head and little more, pt. */
const startsAt = 120
const width = 595.28 - 2 * margin
const size = { title: 16, heading: 11, verdict: 13, text: 9, small: 7.5 }

type Doc = PDFKit.PDFDocument
type Tag = Parameters<Doc['struct']>[0]
type Weight = 400 | 700

/** The fonts in the order in which they are asked for a letter. */
const faces = subsets.filter(([family]) => family !== 'Mono')
const opened = new Map<string, Font>()
const faceOf = (font: string, subset: string, weight: Weight): Font => {
  const name = { font, subset, weight }
  const file = fontFile(name)
  const found = opened.get(file) ?? (create(thePaper().fontBytes(name) as Buffer) as Font)
  opened.set(file, found)
  return found
}

/** What the first face has for certain: no need to ask it letter by letter. */
const plainLatin = /^[\u0020-\u007E\u00B0\u00B1\u00B7\u00D7\u2013\u2014\u2018\u2019\u201C\u201D\u2026\u2212\n]*$/

/** A text in pieces that one face each can print. */
function pieces(text: string, weight: Weight): { face: string; text: string }[] {
  const [first] = faces
  if (!first || plainLatin.test(text)) return [{ face: `${first?.[0]} ${weight}`, text }]
  const out: { face: string; text: string }[] = []
  for (const letter of text) {
    const code = letter.codePointAt(0) ?? 0
    const [family] = faces.find(([, font, subset]) => faceOf(font, subset, weight).hasGlyphForCodePoint(code)) ?? first
    const face = `${family} ${weight}`
    const last = out.at(-1)
    if (last && (last.face === face || letter === ' ')) last.text += letter
    else out.push({ face, text: letter })
  }
  return out
}

/** Columns of a table to be written in: a heading, then boxes of one size. */
const boxes = (count: number, first: number): number[] => [
  first,
  ...Array(Math.max(1, count - 1)).fill((width - first) / Math.max(1, count - 1)),
]

interface Look {
  size: number
  weight?: Weight
  color?: string
  align?: 'left' | 'right'
}

class Printer {
  private readonly root: PDFKit.PDFStructureElement
  private y = 36

  constructor(
    private readonly doc: Doc,
    private readonly photographs: ReadonlyMap<string, Uint8Array>,
  ) {
    for (const [family, font, subset] of faces)
      for (const weight of weights)
        doc.registerFont(`${family} ${weight}`, thePaper().fontBytes({ font, subset, weight }) as Buffer)
    this.root = doc.struct('Document')
    doc.addStructure(this.root)
  }

  sheet(sheet: Sheet): void {
    this.head(sheet)
    for (const block of sheet.blocks) this.block(block)
    this.root.end()
    this.feet(sheet.foot)
  }

  private head({ title, under, beside, mark }: Sheet): void {
    const left = width * 0.62
    const picture = mark && this.photographs.get(mark.id)
    if (picture && canBeDrawn(picture)) {
      const [x, high, across] = [margin + width - 130, 28, 130]
      const figure = this.doc.struct('Figure', {
        alt: mark.label,
        bbox: [x, this.y, x + across, this.y + high],
        placement: 'Block',
      } as object)
      this.root.add(figure)
      figure.add(() => this.doc.image(picture as Buffer, x, this.y, { fit: [across, high], align: 'right' }))
      figure.end()
    }
    const lower = picture ? 32 : 0
    const [top, right] = [this.y, { width: width - left - 10, x: margin + left + 10 }]
    const down = this.tagged('H1', title, { size: size.title, weight: 700 }, margin, left, top)
    const below = this.tagged(
      'P',
      under.filter(Boolean).join(' · '),
      { size: size.text, color: muted },
      margin,
      left,
      down,
    )
    const other = this.tagged(
      'P',
      beside.filter(Boolean).join('\n'),
      { size: size.text, color: muted, align: 'right' },
      right.x,
      right.width,
      top + 4 + lower,
    )
    this.y = Math.max(below, other) + 4
    this.ruleAt(this.y, ink, 1.2)
    this.y += 8
  }

  private block(block: Block): void {
    switch (block.kind) {
      case 'heading':
        this.room(40)
        this.y += 6
        this.y = this.tagged(block.level === 1 ? 'H2' : 'H3', block.text, { size: size.heading, weight: 700 }) + 3
        return
      case 'verdict': {
        this.room(30)
        const top = this.y
        this.artifact(() => this.peg(margin + 6, top + 8, 5.5, block.peg))
        this.y = this.tagged('P', block.text, { size: size.verdict, weight: 700 }, margin + 18, width - 18) + 3
        return
      }
      case 'text':
        this.paragraph(block.text, block.quiet ? { size: size.small, color: muted } : { size: size.text })
        return
      case 'list':
        this.list(block)
        return
      case 'table':
        this.table(block)
        return
      case 'drawing':
        this.drawing(block)
        return
      case 'photograph':
        this.photograph(block)
        return
      case 'signatures':
        this.signatures(block)
        return
      case 'page':
        // a page that has hardly been begun is gone on with
        if (this.y > startsAt) this.newPage()
    }
  }

  private paragraph(text: string, look: Look): void {
    this.room(this.height(text, look, width))
    this.y = this.tagged('P', text, look) + 2.5
  }

  private list({ items }: Extract<Block, { kind: 'list' }>): void {
    const list = this.doc.struct('L')
    this.root.add(list)
    for (const { peg, text } of items) {
      const look = { size: size.text }
      this.room(this.height(text, look, width - 14))
      const top = this.y
      this.artifact(() =>
        peg ? this.peg(margin + 4, top + 5.6, 3.2, peg) : this.doc.circle(margin + 4, top + 5.6, 1.3).fill(muted),
      )
      const item = this.doc.struct('LI')
      list.add(item)
      this.y =
        this.tagged('LBody', peg ? `${text}` : text, look, margin + 14, width - 14, top, item, peg && pegWordIn(peg)) +
        2
      item.end()
    }
    list.end()
    this.y += 3
  }

  private table({ title, head, rows, numbers = [], blank = false }: Table): void {
    const first = Math.max(60, ...rows.map(([name = '']) => this.widthOf(name, size.text, 700) + 10))
    const columns = blank
      ? boxes(rows[0]?.length ?? head.length, Math.min(first, width * 0.4))
      : this.columns([head, ...rows], numbers)
    const look = (column: number, bold = false): Look => ({
      size: head.length > 7 ? 8 : size.text - 0.5,
      weight: bold ? 700 : 400,
      align: numbers.includes(column) ? 'right' : 'left',
    })
    const heightOf = (cells: readonly string[], bold: boolean) =>
      Math.max(
        ...cells.map((cell, i) => this.height(cell, look(i, bold), (columns[i] ?? 0) - 6)),
        blank && !bold ? 18 : 9,
      ) + 4
    this.room(30 + heightOf(rows[0] ?? [], false))
    if (title) this.y = this.tagged('P', title, { size: size.text, weight: 700 }) + 2
    const table = this.doc.struct('Table')
    this.root.add(table)
    const row = (cells: readonly string[], heading: boolean) => {
      const height = heightOf(cells, heading)
      const top = this.y
      const line = this.doc.struct('TR')
      table.add(line)
      let x = margin
      cells.forEach((cell, i) => {
        const across = columns[i] ?? 0
        const th = heading || i === 0
        const element = this.doc.struct(th ? 'TH' : 'TD', th ? ({ scope: heading ? 'Column' : 'Row' } as object) : {})
        line.add(element)
        element.add(() =>
          this.write(
            cell,
            { ...look(i, heading), color: heading ? muted : ink },
            blank && i > 0 && !heading ? x + 4 : x,
            across - 6,
            top + 2,
          ),
        )
        element.end()
        x += across
      })
      line.end()
      if (blank && !heading)
        this.artifact(() => {
          let at = margin
          for (const across of columns) {
            at += across
            this.doc.moveTo(at, top).lineTo(at, top + height)
          }
          this.doc.lineWidth(0.5).stroke(muted)
        })
      this.y = top + height
      this.ruleAt(this.y, rule, 0.5)
    }
    /** Over the page the head is there to be seen once more; who listens has heard it. */
    const headAgain = () => {
      this.artifact(() => {
        let x = margin
        head.forEach((cell, i) => {
          const across = columns[i] ?? 0
          this.write(cell, { ...look(i, true), color: muted }, x, across - 6, this.y + 2)
          x += across
        })
      })
      this.y += heightOf(head, true)
      this.ruleAt(this.y, rule, 0.5)
    }
    const headed = head.some(Boolean)
    if (headed) row(head, true)
    for (const cells of rows) {
      if (this.room(heightOf(cells, false)) && headed) headAgain()
      row(cells, false)
    }
    table.end()
    this.y += 8
  }

  /** Columns as wide as their longest text wants, never narrower than its longest word, within the page. */
  private columns(rows: readonly (readonly string[])[], numbers: readonly number[]): number[] {
    const count = Math.max(...rows.map((row) => row.length))
    const each = Array.from({ length: count }, (_, i) => {
      const cells = rows.map((row) => row[i] ?? '')
      const longest = (texts: readonly string[]) =>
        Math.max(...texts.map((text) => this.widthOf(text, size.text, 700))) + 10
      const least = Math.max(longest(cells.flatMap((cell) => cell.split(/\s+/))), 26)
      return { least, most: Math.max(least, Math.min(longest(cells), numbers.includes(i) ? 70 : 240)) }
    })
    const sum = (of: (one: (typeof each)[number]) => number) => each.reduce((total, one) => total + of(one), 0)
    const [least, most] = [sum((one) => one.least), sum((one) => one.most)]
    // room left over is shared out by what the texts would like, but a narrow table stays narrow
    if (most <= width) return each.map((one) => one.most * Math.min(width / most, 1.35))
    const share = Math.max(0, width - least) / Math.max(1, most - least)
    return each.map((one) => one.least + (one.most - one.least) * share)
  }

  private drawing({ scene, title, label }: Extract<Block, { kind: 'drawing' }>): void {
    const scale = width / scene.width
    const height = scene.height * scale
    this.room(height + 16)
    this.y = this.tagged('P', title, { size: size.text, weight: 700 }) + 1
    const top = this.y
    const figure = this.doc.struct('Figure', {
      alt: [label, ...scene.spots.map((spot) => spot.label)].join('. '),
      bbox: [margin, top, margin + width, top + height],
      placement: 'Block',
    } as object)
    this.root.add(figure)
    figure.add(() => this.scene(scene, top, scale))
    figure.end()
    this.y = top + height + 6
  }

  private scene(scene: Scene, top: number, scale: number): void {
    const { doc } = this
    doc.save().translate(margin, top).scale(scale)
    for (const shape of [...scene.shapes, ...scene.spots.flatMap((spot) => spot.shapes)]) this.shape(shape)
    doc.restore()
  }

  private shape(shape: Shape): void {
    const { doc } = this
    if (shape.kind === 'peg') {
      this.peg(shape.at[0], shape.at[1], shape.size, shape.peg)
      return
    }
    if (shape.kind === 'text') {
      const number = shape.role === 'number'
      const high = letters[shape.role]
      const weight = number ? 700 : 400
      const across = this.widthOf(shape.text, high, weight)
      const x = shape.at[0] - (shape.anchor === 'middle' ? across / 2 : shape.anchor === 'end' ? across : 0)
      this.write(
        shape.text,
        { size: high, weight, color: number ? ink : muted },
        x,
        across + 40,
        shape.at[1] - high * 0.93,
        false,
      )
      return
    }
    const { stroke, strokeWidth, fill, strokeDasharray, fillOpacity } = strokes[shape.role]
    const [first, ...rest] = shape.points
    if (!first) return
    doc.save()
    doc.moveTo(first[0], first[1])
    for (const [x, y] of rest) doc.lineTo(x, y)
    if (shape.kind === 'area') doc.closePath()
    if (strokeDasharray) {
      const [dash = 4, space = 4] = strokeDasharray.split(' ').map(Number)
      doc.dash(dash, { space })
    }
    if (strokeWidth) doc.lineWidth(strokeWidth)
    if (fillOpacity !== undefined) doc.fillOpacity(fillOpacity)
    const filled = shape.kind === 'area' && fill
    if (filled && stroke) doc.fillAndStroke(fill, stroke)
    else if (filled) doc.fill(fill)
    else doc.stroke(stroke ?? fill ?? ink)
    doc.restore()
  }

  /** A round peg fits, a square one does not. */
  private peg(x: number, y: number, r: number, peg: VerdictState): void {
    const { doc } = this
    doc.save()
    if (peg === 'nothing') doc.circle(x, y, r / 2.5).fill(muted)
    else if (peg === 'within') doc.circle(x, y, r).fill(pegColors.within)
    else if (peg === 'outside')
      doc
        .lineWidth(r / 3)
        .rect(x - r, y - r, 2 * r, 2 * r)
        .fillAndStroke(pegColors.paper, pegColors.outside)
    else {
      doc
        .lineWidth(r / 3)
        .circle(x, y, r)
        .fillAndStroke(pegColors.paper, pegColors.unsure)
      doc.rect(x - r, y - r * 0.7, r, r * 1.4).fill(pegColors.unsure)
    }
    doc.restore()
  }

  private photograph({ id, label }: Extract<Block, { kind: 'photograph' }>): void {
    const image = this.photographs.get(id)
    if (!image) return
    if (!canBeDrawn(image)) {
      this.y = this.tagged('P', t`${label}: this picture cannot be read.`, { size: size.small, color: muted }) + 6
      return
    }
    const height = 180
    this.room(height + 16)
    const top = this.y
    const figure = this.doc.struct('Figure', {
      alt: label,
      bbox: [margin, top, margin + width / 2, top + height],
      placement: 'Block',
    } as object)
    this.root.add(figure)
    figure.add(() => this.doc.image(image as Buffer, margin, top, { fit: [width / 2, height] }))
    figure.end()
    this.y = top + height + 2
    this.y = this.tagged('Caption', label, { size: size.small, color: muted }) + 6
  }

  private signatures({ lines }: Extract<Block, { kind: 'signatures' }>): void {
    this.room(44)
    const each = width / lines.length
    const top = this.y + 16
    lines.forEach(({ title, by }, i) => {
      const x = margin + i * each
      this.artifact(() =>
        this.doc
          .moveTo(x, top + 13)
          .lineTo(x + each - 16, top + 13)
          .lineWidth(0.7)
          .stroke(ink),
      )
      this.tagged('P', by, { size: size.text, weight: 700 }, x, each - 16, top)
      this.tagged('P', title, { size: size.small, color: muted }, x, each - 16, top + 15)
    })
    this.y = top + 30
  }

  /** The foot of every page: what it belongs to, and which page of how many. */
  private feet(foot: string): void {
    const { doc } = this
    const { start, count } = doc.bufferedPageRange()
    for (let i = start; i < start + count; i++) {
      doc.switchToPage(i)
      // written below the margin: the page must not think that it is full
      doc.page.margins.bottom = 0
      doc.markContent('Artifact', { type: 'Pagination' })
      this.write(foot, { size: 6.5, color: muted }, margin, width - 50, 841.89 - 30)
      this.write(
        `${i + 1} / ${count}`,
        { size: 6.5, color: muted, align: 'right' },
        margin + width - 48,
        48,
        841.89 - 30,
      )
      doc.endMarkedContent()
    }
  }

  private newPage(): void {
    this.doc.addPage()
    this.y = 36
  }

  /** A new page where there is no room for as much, pt. */
  private room(height: number): boolean {
    const over = this.y + height > 841.89 - 44
    if (over) this.newPage()
    return over
  }

  private ruleAt(y: number, color: string, weight: number): void {
    this.artifact(() =>
      this.doc
        .moveTo(margin, y)
        .lineTo(margin + width, y)
        .lineWidth(weight)
        .stroke(color),
    )
  }

  /** What a screen reader passes over. */
  private artifact(draw: () => void): void {
    this.doc.markContent('Artifact', { type: 'Layout' })
    draw()
    this.doc.endMarkedContent()
  }

  /** A text as one element; returns where it ends. */
  private tagged(
    tag: Tag,
    text: string,
    look: Look,
    x = margin,
    across = width,
    top = this.y,
    parent = this.root,
    expanded?: string,
  ): number {
    const element = this.doc.struct(tag, expanded ? ({ actual: `${expanded}: ${text}` } as object) : {})
    parent.add(element)
    let down = top
    element.add(() => {
      down = this.write(text, look, x, across, top)
    })
    element.end()
    return down
  }

  /** Writes a text into a column; returns where it ends. */
  private write(text: string, look: Look, x: number, across: number, top: number, breaks = true): number {
    const { doc } = this
    const height = this.height(text, look, across)
    const parts = pieces(text, look.weight ?? 400)
    doc.fillColor(look.color ?? ink).fontSize(look.size)
    parts.forEach(({ face, text: part }, i) => {
      const options = {
        width: across,
        align: look.align ?? 'left',
        continued: i < parts.length - 1,
        lineBreak: breaks,
      } as const
      if (i === 0) doc.font(face).text(part, x, top, options)
      else doc.font(face).text(part, options)
    })
    return top + height
  }

  private height(text: string, look: Look, across: number): number {
    const [first] = faces
    this.doc.font(`${first?.[0]} ${look.weight ?? 400}`).fontSize(look.size)
    return this.doc.heightOfString(text || ' ', { width: Math.max(10, across) })
  }

  private widthOf(text: string, high: number, weight: Weight = 400): number {
    return pieces(text, weight).reduce(
      (sum, part) => sum + this.doc.font(part.face).fontSize(high).widthOfString(part.text),
      0,
    )
  }
}
