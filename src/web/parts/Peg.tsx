import type { VerdictState } from '../../core/verdict/state'
import { partsWords } from '../../words/page/parts'

const words: Record<VerdictState, string> = {
  within: partsWords.within,
  unsure: partsWords.cantTellYet,
  outside: partsWords.needsAttention,
  nothing: partsWords.nothingYet,
}

/** The shapes of a peg in a drawing: round fits, square does not. */
export function PegShape({ x, y, size, peg }: { x: number; y: number; size: number; peg: VerdictState }) {
  const stroke = size / 3.2
  if (peg === 'nothing') return <circle cx={x} cy={y} r={size / 2.6} fill="var(--muted)" />
  if (peg === 'within') return <circle cx={x} cy={y} r={size} fill="var(--within)" />
  if (peg === 'outside') {
    const side = size - stroke / 2
    return (
      <rect
        x={x - side}
        y={y - side}
        width={2 * side}
        height={2 * side}
        fill="var(--card)"
        stroke="var(--outside)"
        strokeWidth={stroke}
      />
    )
  }
  const r = size - stroke / 2
  return (
    <g>
      <circle cx={x} cy={y} r={r} fill="var(--card)" stroke="var(--unsure)" strokeWidth={stroke} />
      <path d={`M${x} ${y - r}A${r} ${r} 0 0 0 ${x} ${y + r}Z`} fill="var(--unsure)" />
    </g>
  )
}

/** A peg beside words. `label` replaces the state's own word for screen readers; empty hides it. */
export function Peg({ peg, size = 16, label }: { peg: VerdictState; size?: number; label?: string }) {
  const text = label ?? words[peg]
  const shape = <PegShape x={0} y={0} size={8} peg={peg} />
  const frame = { width: size, height: size, viewBox: '-9 -9 18 18', style: { flex: 'none' } }
  if (text === '')
    return (
      <svg {...frame} aria-hidden="true">
        {shape}
      </svg>
    )
  return (
    <svg {...frame} role="img" aria-label={text}>
      {shape}
    </svg>
  )
}

export const pegWord = (peg: VerdictState): string => words[peg]
