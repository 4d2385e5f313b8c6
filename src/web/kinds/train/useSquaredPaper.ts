import { useEffect, useState } from 'react'
import type { SightOptions } from '../../../drawing/train/sheet'
import { again } from '../../app/again'

/** Squared paper for the drawing, fetched when somebody first asks for it. */
export function useSquaredPaper(wanted: boolean): SightOptions['under'] {
  const [paper, put] = useState<{ under: SightOptions['under'] }>()
  useEffect(() => {
    if (!wanted || paper) return
    let here = true
    again(() => import('../../../drawing/train/squares')).then(
      ({ squaredPaper }) => here && put({ under: squaredPaper }),
      // not to be had just now: the drawing is there without it
      () => undefined,
    )
    return () => {
      here = false
    }
  }, [wanted, paper])
  return wanted ? paper?.under : undefined
}
