import { useState } from 'react'
import { FileTrigger } from 'react-aria-components'
import { Link } from 'react-router'
import styled from 'styled-components'
import { readLesson } from '../../core/practice/own'
import { practiceWords as words } from '../../words/practice'
import { Button, Fault, Muted } from '../parts/controls'
import { dropLesson, keepLesson, useOwnLessons } from './ownLessons'

const Own = styled.section`display: grid; gap: 12px; margin-top: 24px; h2 { font-size: 17px; } > button { justify-self: start; }
  ul { list-style: none; margin: 0; padding: 0; border-top: 2px solid var(--ink); }
  li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 12px; align-items: center; border-bottom: 1px solid var(--rule); }
  a { display: grid; gap: 4px; padding: 14px 8px; text-decoration: none; min-height: 72px; } a:hover { background: var(--card); } small { color: var(--muted); font-size: 14.5px; }
  b { font-size: 17px; }`

type Imported = { ok: true; name: string } | { ok: false; place: string; why: string }

/** Lessons that a site wrote itself: brought in from a file, kept in this browser, removed again. */
export function OwnLessons() {
  const lessons = useOwnLessons()
  const [told, tell] = useState<Imported>()
  const take = async (file: File | undefined) => {
    if (!file) return
    const read = readLesson(await file.text())
    if (!read.ok) return tell({ ok: false, place: read.path, why: read.message })
    try {
      keepLesson(read.lesson)
      tell({ ok: true, name: read.lesson.name })
    } catch (error) {
      tell({ ok: false, place: '', why: error instanceof Error ? error.message : String(error) })
    }
  }
  return (
    <Own aria-label={words.own}>
      <h2>{words.own}</h2>
      <Muted>{words.ownHint}</Muted>
      <FileTrigger
        acceptedFileTypes={['.json', 'application/json']}
        onSelect={(files) => void take(files?.[0] ?? undefined)}
      >
        <Button>{words.bringIn}</Button>
      </FileTrigger>
      {told?.ok ? <p role="status">{words.brought(told.name)}</p> : null}
      {told && !told.ok ? <Fault role="alert">{words.refused(told.place, told.why)}</Fault> : null}
      {lessons.length > 0 ? (
        <ul>
          {lessons.map(({ id, name, goal }) => (
            <li key={id}>
              <Link to={`/practice/own-${id}`}>
                <b>{name}</b>
                <small>{goal}</small>
              </Link>
              <Button look="quiet" aria-label={words.remove(name)} onPress={() => dropLesson(id)}>
                {words.removeIt}
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
    </Own>
  )
}
