import type { VerdictState } from '../core/verdict/state'
import type { Role, Scene, Shape } from './scene'

/** How a drawing looks on paper, whoever prints it: the PDF, or a file of the drawing alone. */

export const ink = '#1D2B2F'
export const muted = '#5E6B6D'
export const rule = '#D5CFC2'
export const pegColors = { within: '#1F6F8B', unsure: '#B7791F', outside: '#A8325E', paper: '#FFFFFF' } as const

export const strokes: Record<
  Role,
  { stroke?: string; strokeWidth?: number; fill?: string; strokeDasharray?: string; fillOpacity?: number }
> = {
  shaft: { stroke: ink, strokeWidth: 4 },
  'shaft-fixed': { stroke: ink, strokeWidth: 4 },
  'shaft-doubtful': { stroke: ink, strokeWidth: 1.5, strokeDasharray: '6 4' },
  ghost: { stroke: muted, strokeWidth: 1.2, strokeDasharray: '8 5' },
  reference: { stroke: muted, strokeWidth: 1, strokeDasharray: '2 4' },
  fan: { fill: ink, fillOpacity: 0.1 },
  body: { stroke: rule, strokeWidth: 1, fill: '#F4F1EA', fillOpacity: 0.6 },
  hatch: { stroke: muted, strokeWidth: 1 },
  foot: { fill: ink },
  gap: { stroke: '#A8325E', strokeWidth: 2 },
  gate: { stroke: '#1F5A57', strokeWidth: 2 },
  dial: { fill: '#1F5A57' },
  divider: { stroke: rule, strokeWidth: 1, strokeDasharray: '2 4' },
  scale: { stroke: ink, strokeWidth: 1.2 },
  target: { stroke: '#1F5A57', strokeWidth: 2 },
  running: { stroke: '#1F5A57', strokeWidth: 1.5, strokeDasharray: '1 5' },
  live: { stroke: '#B7791F', strokeWidth: 2.5 },
  stop: { stroke: muted, strokeWidth: 1.4 },
  square: { stroke: rule, strokeWidth: 0.5 },
  'square-fifth': { stroke: rule, strokeWidth: 1.2 },
  plotted: { fill: '#B7791F' },
}

/** Sizes of letters, px. */
export const letters = { plane: 13, name: 14, number: 17, small: 14 } as const

const escaped = (text: string): string => text.replace(/[&<>"]/g, (one) => `&#${one.charCodeAt(0)};`)

/** A drawing as a file of its own: SVG with nothing it would have to fetch. */
export function sceneSvg({ width, height, shapes, spots }: Scene, title: string): string {
  const body = [...shapes, ...spots.flatMap((spot) => spot.shapes)].map(shapeSvg).join('\n')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="Atkinson Hyperlegible Next, Verdana, sans-serif"><title>${escaped(title)}</title><rect width="100%" height="100%" fill="${pegColors.paper}"/>
${body}
</svg>
`
}

function shapeSvg(shape: Shape): string {
  if (shape.kind === 'peg') return pegSvg(shape.at[0], shape.at[1], shape.size, shape.peg)
  if (shape.kind === 'text') {
    const number = shape.role === 'number'
    return `<text x="${shape.at[0]}" y="${shape.at[1]}" text-anchor="${shape.anchor}" font-size="${letters[shape.role]}" ${number ? 'font-weight="700" ' : ''}fill="${number ? ink : muted}">${escaped(shape.text)}</text>`
  }
  const { stroke, strokeWidth, fill, strokeDasharray, fillOpacity } = strokes[shape.role]
  const look = [
    `fill="${shape.kind === 'area' ? (fill ?? 'none') : 'none'}"`,
    fillOpacity === undefined ? '' : `fill-opacity="${fillOpacity}"`,
    stroke ? `stroke="${stroke}" stroke-width="${strokeWidth ?? 1}"` : '',
    strokeDasharray ? `stroke-dasharray="${strokeDasharray}"` : '',
  ].filter(Boolean)
  const points = shape.points.map((point) => point.join(',')).join(' ')
  return `<${shape.kind === 'area' ? 'polygon' : 'polyline'} points="${points}" ${look.join(' ')}/>`
}

function pegSvg(x: number, y: number, r: number, peg: VerdictState): string {
  const round = (fill: string, radius = r, more = '') =>
    `<circle cx="${x}" cy="${y}" r="${radius}" fill="${fill}"${more}/>`
  if (peg === 'nothing') return round(muted, r / 2.5)
  if (peg === 'within') return round(pegColors.within)
  if (peg === 'outside')
    return `<rect x="${x - r}" y="${y - r}" width="${2 * r}" height="${2 * r}" fill="${pegColors.paper}" stroke="${pegColors.outside}" stroke-width="${r / 3}"/>`
  return `${round(pegColors.paper, r, ` stroke="${pegColors.unsure}" stroke-width="${r / 3}"`)}<rect x="${x - r}" y="${y - r * 0.7}" width="${r}" height="${r * 1.4}" fill="${pegColors.unsure}"/>`
}
