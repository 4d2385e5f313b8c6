import { type ComponentType, lazy, Suspense, useEffect, useState } from 'react'
import { again } from './again'

/** So long after a screen was drawn what stands below its first sight is fetched, ms. */
const pause = 800

/** A part of a screen that nobody needs at first sight: fetched and drawn once the rest stands, or so long after, ms. */
export function later<P extends object>(fetch: () => Promise<ComponentType<P>>, after = pause): ComponentType<P> {
  const Part = lazy(async () => ({ default: await again(fetch) }))
  return function Later(props: P) {
    const [due, setDue] = useState(false)
    useEffect(() => {
      const waiting = setTimeout(() => setDue(true), after)
      return () => clearTimeout(waiting)
    }, [])
    return due ? (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    ) : null
  }
}
