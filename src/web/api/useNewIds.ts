import { useRef } from 'react'
import { newId } from '../app/newId'

/**
 * The ids of what is being made here. The same act, tried again after its answer was lost, has the same id, so that
 * nothing is made twice; `done` once it is made.
 */
export function useNewIds() {
  const ids = useRef(new Map<string, string>())
  return {
    of: (act: string): string => {
      const id = ids.current.get(act) ?? newId('n')
      ids.current.set(act, id)
      return id
    },
    done: () => ids.current.clear(),
  }
}
