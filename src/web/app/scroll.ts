import { useLayoutEffect } from 'react'
import { useLocation, useNavigationType } from 'react-router'

const shelf = 'vane-peg-scroll'

function kept(): Record<string, number> {
  try {
    return JSON.parse(sessionStorage.getItem(shelf) ?? '{}')
  } catch {
    return {}
  }
}

function keep(place: string, y: number): void {
  try {
    // the newest hundred places of this tab are enough
    const all = Object.entries(kept()).filter(([one]) => one !== place)
    sessionStorage.setItem(shelf, JSON.stringify(Object.fromEntries([...all.slice(-99), [place, y]])))
  } catch {
    // a full or forbidden store costs a place on the page, nothing else
  }
}

/** How long a screen gone back to may take to be as tall as it was, ms. */
const patience = 2000

/** A new screen begins at its top; one gone back to where it was left, as soon as it is tall enough for that. */
export function useScroll(): void {
  const { key, pathname } = useLocation()
  const type = useNavigationType()
  // the first screen of every load has the same key, so its address is part of its place
  const place = `${key} ${pathname}`
  useLayoutEffect(() => {
    window.history.scrollRestoration = 'manual'
    const wanted = type === 'POP' ? (kept()[place] ?? 0) : 0
    const begun = performance.now()
    let frame = 0
    let y = window.scrollY
    const go = () => {
      window.scrollTo(0, wanted)
      if (window.scrollY < wanted - 1 && performance.now() - begun < patience) frame = requestAnimationFrame(go)
    }
    go()
    const stop = () => cancelAnimationFrame(frame)
    // what stands here as the screen goes is no longer its own place
    const moved = () => {
      y = window.scrollY
    }
    const leave = () => keep(place, y)
    window.addEventListener('scroll', moved, { passive: true })
    window.addEventListener('wheel', stop, { passive: true })
    window.addEventListener('touchstart', stop, { passive: true })
    window.addEventListener('keydown', stop)
    window.addEventListener('pointerdown', stop)
    window.addEventListener('pagehide', leave)
    return () => {
      stop()
      leave()
      window.removeEventListener('scroll', moved)
      window.removeEventListener('wheel', stop)
      window.removeEventListener('touchstart', stop)
      window.removeEventListener('keydown', stop)
      window.removeEventListener('pointerdown', stop)
      window.removeEventListener('pagehide', leave)
    }
  }, [place, type])
}
