import { lessonNames } from '../src/core/practice/dialLessons'

/** Every lesson that comes with the program, in the order the page lists them. */
export const lessonIds = [
  ...lessonNames,
  'soft-foot',
  'rough',
  'side-moves',
  'halving',
  'graph',
  'bound',
  'growth',
  'belts',
  'flange',
  'bore',
  'rolls',
  'stuck-roll',
] as const

export const lessonPaths = lessonIds.map((id) => `/practice/${id}`)
