import { useEffect, useState } from 'react'

/** A machine's number that a person can read out to another: the same number is the same machine. */
const anyMachine = (): number => 1 + Math.floor(Math.random() * 9999)

interface Game<S, A> {
  begin: (seed: number) => S
  acted: (state: S, act: A) => S
  /** What was kept, where it is still of this lesson. */
  same: (kept: Partial<S>) => boolean
}

function kept<S extends { seed: number; hands: object }, A>(key: string, { begin, same }: Game<S, A>): S {
  try {
    const found = JSON.parse(localStorage.getItem(key) ?? 'null') as Partial<S> | null
    if (found && typeof found.seed === 'number' && found.hands && same(found)) return found as S
  } catch {
    // what can't be read is begun anew: it is only practice
  }
  return begin(anyMachine())
}

/** How a person stands in a lesson; kept in this browser alone, and never among the jobs. */
export function useKept<S extends { seed: number; hands: object }, A>(key: string, game: Game<S, A>) {
  const [state, setState] = useState(() => kept(key, game))
  useEffect(() => {
    try {
      localStorage.setItem(key, JSON.stringify(state))
    } catch {
      // a full or forbidden store: the lesson goes on without
    }
  }, [key, state])
  return {
    state,
    act: (one: A) => setState((now) => game.acted(now, one)),
    again: () => setState(({ seed }) => game.begin(seed)),
    another: () => setState(game.begin(anyMachine())),
  }
}
