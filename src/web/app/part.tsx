import { type ComponentType, type ReactNode, useEffect, useState } from 'react'
import { retryOnce } from './retryOnce'

/** A part of the page in a chunk of its own. */
export interface Part<P extends object = object> {
  (props: P): ReactNode
  /** Fetches it before it is shown: what a screen is sure to show next needs no wait of its own. */
  prefetch: () => void
}

/**
 * A part of the page in a chunk of its own, fetched when it is first shown; `Meanwhile` stands in its place until then. What can't
 * be fetched fails the screen, and is asked for again when it is next shown.
 *
 * Not React's `lazy`: what React waited for it shows no sooner than 300 ms after anything else that it waited for, so that a job,
 * three chunks deep, stood blank for most of a second with all its chunks at hand.
 */
export function part<P extends object>(fetch: () => Promise<ComponentType<P>>, Meanwhile?: ComponentType): Part<P> {
  let fetched: ComponentType<P> | undefined
  let asked: Promise<void> | undefined
  const ask = (): Promise<void> => {
    asked ??= retryOnce(fetch).then(
      (found) => {
        fetched = found
      },
      (error) => {
        asked = undefined
        throw error
      },
    )
    return asked
  }
  const prefetch = () => {
    ask().catch(() => undefined) // it is asked for again, and why not is told, where it is shown
  }
  function Fetched(props: P) {
    const [state, set] = useState<'waiting' | 'here' | { fault: unknown }>(fetched ? 'here' : 'waiting')
    if (state === 'waiting') prefetch()
    useEffect(() => {
      let left = false
      if (!fetched)
        ask().then(
          () => left || set('here'),
          (fault) => left || set({ fault }),
        )
      else set('here')
      return () => {
        left = true
      }
    }, [])
    if (typeof state === 'object') throw state.fault
    const Found = fetched
    if (Found) return <Found {...props} />
    return Meanwhile ? <Meanwhile /> : null
  }
  Fetched.prefetch = prefetch
  return Fetched
}
