import { aimOf, ring } from '../../../../core/device/aim'

const size = 26

/** Where a beam falls on its detector: the edge, the inner half, a spot for the first plane and a ring for the second. */
export function Target({ values, range }: { values: readonly number[]; range: number }) {
  const { spots } = aimOf(values, range)
  return (
    <svg width="60" height="60" viewBox="-30 -30 60 60" aria-hidden="true" style={{ flex: 'none' }}>
      <circle r={size} fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
      <circle r={size * ring} fill="none" stroke="var(--muted)" strokeWidth="1" strokeDasharray="3 3" />
      <line x1={-size} x2={size} stroke="var(--rule)" />
      <line y1={-size} y2={size} stroke="var(--rule)" />
      {spots.map(({ across, up }, i) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: a spot is its plane
          key={i}
          cx={across * size}
          cy={-up * size}
          r={i === 0 ? 4.5 : 6.5}
          fill={i === 0 ? 'var(--kelp)' : 'none'}
          stroke="var(--kelp)"
          strokeWidth="2"
        />
      ))}
    </svg>
  )
}
