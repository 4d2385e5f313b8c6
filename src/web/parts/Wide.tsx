import { type ReactNode, useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { partsWords } from '../../words/page/parts'

const Box = styled.div`overflow-x: auto; min-width: 0;`

/** What may be wider than the page: it scrolls sideways, and by the keyboard too while there is something to scroll. */
export function Wide({ children }: { children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null)
  const [over, setOver] = useState(false)
  useEffect(() => {
    const element = box.current
    if (!element || typeof ResizeObserver === 'undefined') return
    const look = () => setOver(element.scrollWidth > element.clientWidth + 1)
    const watch = new ResizeObserver(look)
    watch.observe(element)
    if (element.firstElementChild) watch.observe(element.firstElementChild)
    look()
    return () => watch.disconnect()
  }, [])
  return (
    <Box ref={box} {...(over ? { tabIndex: 0, role: 'group', 'aria-label': partsWords.widerThanThePage } : {})}>
      {children}
    </Box>
  )
}
