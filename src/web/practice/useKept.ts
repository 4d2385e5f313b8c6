import { useEffect, useMemo, useRef, useState } from 'react'

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

function keep(key: string, state: object): void {
  try {
    localStorage.setItem(key, JSON.stringify(state))
  } catch {
    // a full or forbidden store: the lesson goes on without
  }
}

/** What was done is kept so long after, ms: not at every degree of a turn. */
const pause = 200

/** How a person stands in a lesson; kept in this browser alone, and never among the jobs. */
export function useKept<S extends { seed: number; hands: object }, A>(key: string, game: Game<S, A>) {
  const [state, setState] = useState(() => kept(key, game))
  const latest = useRef(game)
  latest.current = game
  useEffect(() => {
    const waiting = setTimeout(() => keep(key, state), pause)
    return () => clearTimeout(waiting)
  }, [key, state])
  const now = useRef(state)
  now.current = state
  // left before that, it is kept at once
  useEffect(() => {
    const leave = () => keep(key, now.current)
    window.addEventListener('pagehide', leave)
    return () => {
      leave()
      window.removeEventListener('pagehide', leave)
    }
  }, [key])
  const acts = useMemo(
    () => ({
      act: (one: A) => setState((before) => latest.current.acted(before, one)),
      again: () => setState(({ seed }) => latest.current.begin(seed)),
      another: () => setState(latest.current.begin(anyMachine())),
    }),
    [],
  )
  return { state, ...acts }
}
