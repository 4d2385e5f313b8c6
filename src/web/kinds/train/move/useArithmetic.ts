import { useEffect, useState } from 'react'
import { retryOnce } from '../../../app/retryOnce'

export type Arithmetic = typeof import('./arithmetic')

let fetched: Arithmetic | undefined

/** Fetches what plans are worked out with. */
export const fetchArithmetic = async (): Promise<Arithmetic> => {
  fetched ??= await retryOnce(() => import('./arithmetic'))
  return fetched
}

/** What plans are worked out with, once somebody wants a plan and it is here. */
export function useArithmetic(wanted: boolean): Arithmetic | undefined {
  const [, here] = useState(fetched !== undefined)
  const [failed, fail] = useState<{ error: unknown }>()
  useEffect(() => {
    if (!wanted || fetched) return
    fetchArithmetic().then(
      () => here(true),
      (error: unknown) => fail({ error }),
    )
  }, [wanted])
  // told where every screen that does not load is told
  if (failed) throw failed.error
  return wanted ? fetched : undefined
}
