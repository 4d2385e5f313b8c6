import { formatNumber } from '../../../core/quantity/number'

/** Draws as dots around the middle, and a ring for what is allowed; x toward the far side, y up. */
export function Cloud(props: {
  label: string
  title: string
  points: readonly (readonly [number, number])[]
  most: number | undefined
  show: (value: number) => string
}) {
  const { label, title, points, most, show } = props
  const sizes = points.map(([x, y]) => Math.hypot(x, y)).sort((a, b) => a - b)
  // a few far out do not make the rest a speck
  const reach = Math.max(1.25 * (most ?? 0), 1.05 * (sizes[Math.floor(sizes.length * 0.995)] ?? 0)) || 1
  const px = 100 / reach
  const dot = (value: number) => formatNumber(value, 1).replace('−', '-')
  return (
    <figure style={{ margin: 0, display: 'grid', gap: 4, justifyItems: 'center' }}>
      <svg viewBox="-110 -110 220 220" width="230" height="230" role="img" aria-label={label}>
        <line x1="-105" x2="105" y1="0" y2="0" stroke="var(--rule)" />
        <line y1="-105" y2="105" x1="0" x2="0" stroke="var(--rule)" />
        <path
          d={points
            .filter(([x, y]) => Math.max(Math.abs(x), Math.abs(y)) <= reach)
            .map(([x, y]) => `M${dot(x * px)} ${dot(-y * px)}h0`)
            .join('')}
          stroke="var(--ink)"
          strokeWidth="2.4"
          strokeLinecap="round"
          opacity="0.28"
        />
        {most ? <circle r={most * px} fill="none" stroke="var(--kelp)" strokeWidth="2" /> : null}
        {most ? (
          <text x={most * px * 0.71 + 4} y={-most * px * 0.71 - 4} fontSize="11" fill="var(--muted)">
            {show(most)}
          </text>
        ) : null}
      </svg>
      <figcaption>{title}</figcaption>
    </figure>
  )
}
