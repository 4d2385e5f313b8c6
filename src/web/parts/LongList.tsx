import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, useLayoutEffect, useRef, useState } from 'react'
import styled from 'styled-components'

const Whole = styled.ul`position: relative;`
const Placed = styled.li`position: absolute; inset: 0 0 auto 0;`

interface Listed<T> {
  label: string
  className?: string
  items: readonly T[]
  keyOf: (item: T) => string
  /** About how tall a line is, px. */
  height: number
  children: (item: T) => ReactNode
}

/** So many lines are drawn as they are: the browser's own search and print find all of them. */
const few = 150

/** A list of any length: of a long one only what is in sight is drawn, told with its place among all. */
export function LongList<T>(props: Listed<T>) {
  const { label, className, items, keyOf, children } = props
  if (items.length > few) return <Long {...props} />
  return (
    <ul aria-label={label} className={className}>
      {items.map((item) => (
        <li key={keyOf(item)}>{children(item)}</li>
      ))}
    </ul>
  )
}

function Long<T>({ label, className, items, keyOf, height, children }: Listed<T>) {
  const list = useRef<HTMLUListElement>(null)
  const [top, setTop] = useState(0)
  // where the list begins may change with what stands above it
  useLayoutEffect(() => {
    if (list.current) setTop(list.current.getBoundingClientRect().top + window.scrollY)
  }, [])
  const lines = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => height,
    getItemKey: (i) => keyOf(items[i] as T),
    overscan: 8,
    scrollMargin: top,
  })
  return (
    <Whole ref={list} aria-label={label} className={className} style={{ height: lines.getTotalSize() }}>
      {lines.getVirtualItems().map(({ index, key, start }) => (
        <Placed
          key={String(key)}
          ref={lines.measureElement}
          data-index={index}
          aria-posinset={index + 1}
          aria-setsize={items.length}
          style={{ transform: `translateY(${start - top}px)` }}
        >
          {children(items[index] as T)}
        </Placed>
      ))}
    </Whole>
  )
}
