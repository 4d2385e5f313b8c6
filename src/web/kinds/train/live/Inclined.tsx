import { direction } from '../../../../core/quantity/angles'

/** Where a probe stands on its shaft, as a pointer round a small circle: top up, far to the right. */
export function Inclined({ degrees }: { degrees: number }) {
  const [y, z] = direction(degrees)
  const r = 24
  return (
    <svg width="60" height="60" viewBox="-30 -30 60 60" aria-hidden="true" style={{ flex: 'none' }}>
      <circle r={r} fill="none" stroke="var(--rule)" strokeWidth="1.5" />
      {[0, 90, 180, 270].map((quarter) => {
        const [qy, qz] = direction(quarter)
        return (
          <line
            key={quarter}
            x1={qy * (r - 5)}
            y1={-qz * (r - 5)}
            x2={qy * r}
            y2={-qz * r}
            stroke="var(--muted)"
            strokeWidth="1.5"
          />
        )
      })}
      <circle r="7" fill="none" stroke="var(--ink)" strokeWidth="2" />
      <line x1={y * 7} y1={-z * 7} x2={y * r} y2={-z * r} stroke="var(--kelp)" strokeWidth="3" />
      <circle cx={y * r} cy={-z * r} r="5" fill="var(--kelp)" />
    </svg>
  )
}
