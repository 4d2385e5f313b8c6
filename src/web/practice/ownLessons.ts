import { useSyncExternalStore } from 'react'
import * as v from 'valibot'
import { type OwnLesson, ownLessonSchema } from '../../core/practice/own'

const key = 'vane-peg-practice-own'

function read(): readonly OwnLesson[] {
  try {
    return v.parse(v.array(ownLessonSchema), JSON.parse(localStorage.getItem(key) ?? '[]'))
  } catch {
    // of an earlier version, or not ours: it is only practice
    return []
  }
}

let current = read()
const listeners = new Set<() => void>()

function put(next: readonly OwnLesson[]): void {
  // first kept, then shown: what the browser does not keep is not said to be here
  localStorage.setItem(key, JSON.stringify(next))
  current = next
  for (const listener of listeners) listener()
}

/** Takes a lesson in; one of the same id gives way to it. @throws where the browser keeps nothing more */
export const keepLesson = (lesson: OwnLesson): void => put([...current.filter(({ id }) => id !== lesson.id), lesson])

export const dropLesson = (id: string): void => put(current.filter((one) => one.id !== id))

/** Lessons that a site wrote, as they are kept in this browser. */
export const useOwnLessons = (): readonly OwnLesson[] =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => current,
  )
