import type { LessonName } from '../../core/practice/dialLessons'
import { type Act, type Attempt, acted, begin } from '../../core/practice/lesson'
import type { OwnLesson } from '../../core/practice/own'
import { useKept } from './useKept'

type Which = LessonName | OwnLesson

const keyOf = (lesson: Which) => `vane-peg-practice:${typeof lesson === 'string' ? lesson : `own ${lesson.id}`}`

/** How a person stands in a lesson at the dial. One that was written anew meanwhile is begun anew. */
export function useAttempt(lesson: Which) {
  return useKept<Attempt, Act>(keyOf(lesson), {
    begin: (seed) => begin(lesson, seed),
    acted,
    same: (kept) =>
      kept.answers !== undefined &&
      (typeof lesson === 'string' ? kept.lesson === lesson : JSON.stringify(kept.own) === JSON.stringify(lesson)),
  })
}
