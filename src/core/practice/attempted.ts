/** What is kept of every lesson at a machine, whatever its machine is. `hands`: what a person has done, and nothing of the truth. */
export interface Attempted<H extends { locked: boolean }> {
  seed: number
  hands: H
  /** Simulated minutes, and hints that were asked for. */
  minutes: number
  hints: number
  /** Something was touched before it was locked and tried: the lesson is lost. */
  unsafe: boolean
  checked: boolean
}

export const begun = <H extends { locked: boolean }>(seed: number, hands: H): Attempted<H> => ({
  seed,
  hands,
  minutes: 0,
  hints: 0,
  unsafe: false,
  checked: false,
})

/** What can be done in every lesson. */
export type PlainAct = { do: 'lock' } | { do: 'hint' } | { do: 'check' }

/** Minutes that locking out and trying takes. */
const locking = 4

export const isPlain = (act: { do: string }): act is PlainAct => ['lock', 'hint', 'check'].includes(act.do)

/** One of them done. */
export function plainly<S extends Attempted<{ locked: boolean }>>(now: S, act: PlainAct): S {
  switch (act.do) {
    case 'lock':
      return now.hands.locked ? now : { ...now, hands: { ...now.hands, locked: true }, minutes: now.minutes + locking }
    case 'hint':
      return { ...now, hints: now.hints + 1 }
    case 'check':
      return { ...now, checked: true }
  }
}

/** The machine was touched: what changed, and the minutes it cost. */
export const touched = <H extends { locked: boolean }, S extends Attempted<H>>(
  now: S,
  change: Partial<H>,
  minutes: number,
): S => ({
  ...now,
  hands: { ...now.hands, ...change },
  minutes: now.minutes + minutes,
  unsafe: now.unsafe || !now.hands.locked,
  checked: false,
})

/** Bolts loosened or tightened: those that are loose then, or undefined where they were so already. */
export function bolting<K>(loose: readonly K[], one: K, how: 'loosen' | 'tighten'): readonly K[] | undefined {
  const is = loose.includes(one)
  if (is === (how === 'loosen')) return undefined
  return is ? loose.filter((other) => other !== one) : [...loose, one]
}
