import { type ComponentType, useEffect, useState } from 'react'

/** So long after a screen was drawn what stands below its first sight is fetched, ms. */
const pause = 800

/** Where it could not be fetched, it is asked for again after so long, ms. */
const rest = 5000

/**
 * A part of a screen that nobody needs at first sight: fetched and drawn once the rest stands, or so long `after`, ms. The network of
 * a plant that drops it takes nothing else along: the part is missing until it can be had.
 */
export function lazyAfterPaint<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  after = pause,
): ComponentType<P> {
  let fetched: ComponentType<P> | undefined
  return function Later(props: P) {
    const [Part, show] = useState(() => fetched)
    useEffect(() => {
      if (Part) return undefined
      let left = false
      const ask = () => {
        fetch().then(
          (part) => {
            fetched = part
            if (!left) show(() => part)
          },
          () => {
            if (!left) waiting = setTimeout(ask, rest)
          },
        )
      }
      let waiting = setTimeout(ask, after)
      return () => {
        left = true
        clearTimeout(waiting)
      }
    }, [Part])
    return Part ? <Part {...props} /> : null
  }
}
