import { proxy, type Remote, wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { Mapping } from '../../../../core/kinds/train/document/table'
import type { ReadSet } from '../../../../core/shafts/schema'
import type { Opened, SheetWorker, TakenTold } from './worker'

/** Where a file stands: nothing chosen, being read (the share that is), read, or not to be read. */
export type SheetState =
  | { state: 'nothing' }
  | { state: 'reading'; share: number }
  | ({ state: 'read' } & Opened)
  | { state: 'unreadable' }

/** A file or a pasted text, read beside the page: a hundred thousand rows cost no frame. */
export function useSheet(source: File | string) {
  const worker = useRef<{ own: Worker; sheet: Remote<SheetWorker> }>(undefined)
  const [sheet, setSheet] = useState<SheetState>({ state: 'nothing' })
  const sheetWorker = () => {
    if (!worker.current) {
      const own = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
      worker.current = { own, sheet: wrap<SheetWorker>(own) }
    }
    return worker.current.sheet
  }
  useEffect(
    () => () => {
      worker.current?.own.terminate()
      worker.current = undefined
    },
    [],
  )
  // biome-ignore lint/correctness/useExhaustiveDependencies: the worker is made once and kept
  useEffect(() => {
    if (typeof source === 'string' && source.trim() === '') {
      setSheet({ state: 'nothing' })
      return undefined
    }
    let wanted = true
    const file = typeof source === 'string' ? new File([source], 'pasted.csv') : source
    setSheet((now) => (now.state === 'read' && typeof source === 'string' ? now : { state: 'reading', share: 0 }))
    const tell = proxy((share: number) => {
      if (wanted) setSheet((now) => (now.state === 'reading' ? { state: 'reading', share } : now))
    })
    sheetWorker()
      .open(file, tell)
      .then(
        (opened) => wanted && setSheet({ state: 'read', ...opened }),
        () => wanted && setSheet({ state: 'unreadable' }),
      )
    return () => {
      wanted = false
    }
  }, [source])
  return {
    sheet,
    take: (set: ReadSet, mapping: Mapping, sides: { near: string; far: string }) =>
      sheetWorker().take(set, mapping, sides),
  }
}

/** What the rows would make of a set as it is now; undefined until that is known. */
export function useTaken(
  { sheet, take }: ReturnType<typeof useSheet>,
  set: ReadSet,
  mapping: Mapping | undefined,
  sides: { near: string; far: string },
): TakenTold | undefined {
  const [taken, setTaken] = useState<TakenTold>()
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again when one of these changes, not when the page is drawn
  useEffect(() => {
    if (!mapping || sheet.state !== 'read') {
      setTaken(undefined)
      return undefined
    }
    let wanted = true
    void take(set, mapping, sides).then((told) => wanted && setTaken(told))
    return () => {
      wanted = false
    }
  }, [sheet, set, mapping, sides])
  return taken
}
