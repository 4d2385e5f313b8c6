import { Circle, G, Polygon, Polyline, Rect, Line as Stroke, StyleSheet, Svg, Text, View } from '@react-pdf/renderer'
import { isValid } from 'date-fns/isValid'
import type { ReactNode } from 'react'
import type { VerdictState } from '../core/verdict/state'
import { ink, muted, pegColors, rule, strokes } from '../drawing/print'
import type { Scene, Shape } from '../drawing/scene'
import { sayLongDate } from '../words/dates'
import { labels, t } from '../words/language'
import type { Message } from '../words/said'
import { type Terms, unitName } from '../words/terms'
import { mono, sans } from './type'

/** What the printed pages share: type, ruling, the drawing. */

export const s = labels(
  StyleSheet.create({
    page: { padding: 34, fontFamily: sans, fontSize: 8.5, color: ink, lineHeight: 1.3 },
    head: { flexDirection: 'row', justifyContent: 'space-between', borderBottom: `1.2 solid ${ink}`, paddingBottom: 6 },
    title: { fontSize: 16, fontWeight: 700, lineHeight: 1.15 },
    muted: { color: muted },
    h: { fontSize: 9.5, fontWeight: 700, marginTop: 9, marginBottom: 3 },
    row: { flexDirection: 'row', borderBottom: `0.5 solid ${rule}`, paddingVertical: 1.8 },
    columns: { flexDirection: 'row', gap: 18 },
    column: { flex: 1 },
    number: { fontFamily: mono, textAlign: 'right' },
    sign: { flexDirection: 'row', gap: 24, marginTop: 14 },
    line: { flex: 1, borderTop: `0.7 solid ${ink}`, paddingTop: 2, color: muted },
    safety: { marginTop: 8, color: muted, fontSize: 7.5 },
  }),
)

/** The head of a page: what it is, under it what it belongs to, and on the right the day and how its numbers are told. */
export function PageHead({
  title,
  under,
  takenAt,
  terms,
}: {
  title: string
  under: string[]
  takenAt: string
  terms: Pick<Terms, 'line' | 'unit'>
}) {
  const own = (['near', 'far'] as const).flatMap((side) => {
    const name = terms.line.sides[side].trim()
    return name && name.toLowerCase() !== side ? [t`${side} is the ${name} side`] : []
  })
  return (
    <View style={s.head}>
      <View>
        <Text style={s.title}>{title}</Text>
        <Text style={s.muted}>{under.filter(Boolean).join(' · ')}</Text>
      </View>
      <View style={{ alignItems: 'flex-end' }}>
        <Text>{dayOf(takenAt)}</Text>
        <Text style={s.muted}>{[...own, t`numbers in ${unitName[terms.unit]}`].join(' · ')}</Text>
      </View>
    </View>
  )
}

/** A day in words; nothing where it is none. */
export function dayOf(at: string | null | undefined): string {
  const day = new Date(at ?? '')
  return isValid(day) ? sayLongDate(day) : ''
}

/** A line of a list: what, and its value. */
export function Row({ left, right }: { left: string; right: string }) {
  return (
    <View style={[s.row, { justifyContent: 'space-between' }]}>
      <Text>{left}</Text>
      <Text style={s.muted}>{right}</Text>
    </View>
  )
}

/** What comes before everything else on paper: that nothing is sure, or that nothing is to be done. */
const foremost = new Set(['contradict', 'not-closed', 'no-sag', 'no-move'])

/** Findings of a page in the order they are read: what comes before its numbers, and the rest below them. */
export function findingsOnPaper<F extends { kind: string }>(
  findings: readonly F[],
  say: (finding: F) => Message,
): { still: boolean; first: ReactNode; rest: ReactNode } {
  const printed = (some: readonly F[]) =>
    some.map((finding, i) => {
      const { title, detail } = say(finding)
      return (
        // biome-ignore lint/suspicious/noArrayIndexKey: a printed list does not change
        <View key={i} wrap={false} style={{ marginTop: 6 }}>
          <Text style={{ fontWeight: 700 }}>{title}</Text>
          {detail ? <Text style={s.muted}>{detail}</Text> : null}
        </View>
      )
    })
  return {
    still: findings.some(({ kind }) => kind === 'no-move'),
    first: printed(findings.filter(({ kind }) => foremost.has(kind))),
    rest: printed(findings.filter(({ kind }) => !foremost.has(kind))),
  }
}

/** The size of a drawing on paper. */
export const onPaper = { width: 1060, height: 300, flipped: false }

/** A drawing on paper. */
export function Drawing({ scene }: { scene: Scene }) {
  return (
    <Svg viewBox={`0 0 ${scene.width} ${scene.height}`} style={{ width: '100%', height: 150, marginTop: 6 }}>
      <G>{[...scene.shapes, ...scene.spots.flatMap((spot) => spot.shapes)].map((shape, i) => drawn(shape, i))}</G>
    </Svg>
  )
}

function drawn(shape: Shape, key: number) {
  if (shape.kind === 'peg')
    return <PegMark key={key} x={shape.at[0]} y={shape.at[1]} size={shape.size} peg={shape.peg} />
  if (shape.kind === 'text') {
    const number = shape.role === 'number'
    const size = number ? 17 : shape.role === 'plane' ? 13 : 14
    return (
      <Text
        key={key}
        x={shape.at[0]}
        y={shape.at[1]}
        textAnchor={shape.anchor}
        style={{ fontSize: size, fontFamily: number ? mono : sans, fontWeight: number ? 700 : 400 }}
        fill={number ? ink : muted}
      >
        {shape.text}
      </Text>
    )
  }
  const points = shape.points.map((p) => p.join(',')).join(' ')
  const style = strokes[shape.role]
  if (shape.kind === 'area') return <Polygon key={key} points={points} {...style} />
  const [a, b] = shape.points
  if (shape.points.length === 2 && a && b)
    return <Stroke key={key} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} {...style} />
  return <Polyline key={key} points={points} fill="none" {...style} />
}

/** A round peg fits, a square one does not. */
export function PegMark({ x, y, size, peg }: { x: number; y: number; size: number; peg: VerdictState }) {
  if (peg === 'outside')
    return (
      <Rect
        x={x - size}
        y={y - size}
        width={2 * size}
        height={2 * size}
        fill={pegColors.paper}
        stroke={pegColors.outside}
        strokeWidth={size / 3}
      />
    )
  if (peg === 'nothing') return <Circle cx={x} cy={y} r={size / 2.5} fill={muted} />
  if (peg === 'within') return <Circle cx={x} cy={y} r={size} fill={pegColors.within} />
  return (
    <G>
      <Circle cx={x} cy={y} r={size} fill={pegColors.paper} stroke={pegColors.unsure} strokeWidth={size / 3} />
      <Rect x={x - size} y={y - size * 0.7} width={size} height={size * 1.4} fill={pegColors.unsure} />
    </G>
  )
}
