/** A dial's face: its needle where it stands aligned, and the two limit hands. Sizes in mm; one turn is the whole face. */
export function DialFace(props: { label: string; turn: number; at: number; marks: readonly [number, number] }) {
  const { label, turn, at, marks } = props
  const point = (mm: number, radius: number) => {
    const angle = (2 * Math.PI * mm) / turn
    return [50 + radius * Math.sin(angle), 50 - radius * Math.cos(angle)] as const
  }
  const hand = (mm: number, from: number, to: number) => {
    const [x1, y1] = point(mm, from)
    const [x2, y2] = point(mm, to)
    return { x1, y1, x2, y2 }
  }
  const ticks = Array.from({ length: 50 }, (_, i) => i)
  const [low, high] = marks
  const [lowAt, highAt] = [point(low, 33), point(high, 33)]
  const wide = high - low > turn / 2 ? 1 : 0
  return (
    <svg viewBox="0 0 100 100" width="96" height="96" role="img" aria-label={label}>
      <circle cx="50" cy="50" r="47" fill="var(--card)" stroke="var(--ink)" strokeWidth="2" />
      {ticks.map((i) => (
        <line
          key={i}
          {...hand((i * turn) / 50, i % 5 === 0 ? 38 : 41, 45)}
          stroke="var(--muted)"
          strokeWidth={i % 5 === 0 ? 1.4 : 0.7}
        />
      ))}
      <path d={`M50 50L${lowAt.join(' ')}A33 33 0 ${wide} 1 ${highAt.join(' ')}Z`} fill="var(--kelp)" opacity="0.16" />
      {marks.map((mm) => (
        <line key={mm} {...hand(mm, 30, 46)} stroke="var(--kelp)" strokeWidth="3" />
      ))}
      <line {...hand(at, -8, 36)} stroke="var(--ink)" strokeWidth="1.8" strokeLinecap="round" />
      <circle cx="50" cy="50" r="3" fill="var(--ink)" />
    </svg>
  )
}
