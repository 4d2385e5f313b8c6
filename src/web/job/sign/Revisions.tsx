import { useState } from 'react'
import styled from 'styled-components'
import { differencesOf } from '../../../core/quantity/differences'
import { sayDateTime } from '../../../words/dates'
import { describePath } from '../../../words/describe'
import { signWords } from '../../../words/page/sign'
import { type RevisionRow, useRevision } from '../../api/signing'
import { Button, ButtonAnchor, Card, Fault, Muted } from '../../parts/controls'

const Sheet = styled(Card)`
  display: grid; gap: 10px; h2 { font-size: 17px; } h3 { font-size: 15px; }
  ol { list-style: none; margin: 0; padding: 0; } li { display: grid; gap: 4px; padding: 8px 0; border-top: 1px solid var(--rule); }
  table { border-collapse: collapse; width: 100%; font-size: 14px; } th, td { text-align: left; vertical-align: top; padding: 4px 8px 4px 0; border-top: 1px solid var(--rule); overflow-wrap: anywhere; } tbody th { font-weight: 600; }
`
const Buttons = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`

const at = (iso: string): string => sayDateTime(new Date(iso))

/** Every signed revision, readable still; two of them beside each other. */
export function Revisions({ id, revisions }: { id: string; revisions: readonly RevisionRow[] }) {
  const [compared, compare] = useState<[number, number]>()
  return (
    <Sheet aria-label={signWords.revisions}>
      <h2>{signWords.revisions}</h2>
      {revisions.length === 0 ? <Muted>{signWords.noRevisions}</Muted> : null}
      <ol>
        {revisions.map((one, i) => {
          const { number } = one
          const older = revisions[i + 1]?.number
          return (
            <li key={number}>
              <h3>{signWords.revision(number)}</h3>
              <span>
                {signWords.signedBy(one.doneBy, at(one.signedAt))}{' '}
                {one.checkedBy ? signWords.checkedByWhom(one.checkedBy) : ''}
              </span>
              {one.reopenedBy && one.reopenedAt ? (
                <Muted>{signWords.reopened(one.reopenedBy, at(one.reopenedAt), one.reopenedBecause ?? '')}</Muted>
              ) : null}
              <Buttons>
                <ButtonAnchor
                  href={`/api/jobs/${id}/revisions/${number}/record.pdf`}
                  target="_blank"
                  rel="noreferrer"
                  aria-label={`${signWords.pdf}: ${signWords.revision(number)}`}
                >
                  {signWords.pdf}
                </ButtonAnchor>
                <ButtonAnchor
                  href={`/api/jobs/${id}/revisions/${number}`}
                  download={`job-${id}-revision-${number}.json`}
                  aria-label={`${signWords.json}: ${signWords.revision(number)}`}
                >
                  {signWords.json}
                </ButtonAnchor>
                {older ? (
                  <Button
                    aria-expanded={compared?.[1] === number}
                    onPress={() => compare(compared?.[1] === number ? undefined : [older, number])}
                  >
                    {signWords.compare}
                  </Button>
                ) : null}
              </Buttons>
              {compared?.[1] === number ? <Compared id={id} pair={compared} /> : null}
            </li>
          )
        })}
      </ol>
    </Sheet>
  )
}

/** A leaf as it stands in a document, in as few words as it has. */
function leaf(value: unknown): string {
  if (value === undefined || value === '' || value === null) return signWords.nothingThere
  if (typeof value !== 'object') return String(value)
  const { text, unit } = value as { text?: unknown; unit?: unknown }
  if (typeof text === 'string') return `${text} ${typeof unit === 'string' ? unit : ''}`.trim()
  return JSON.stringify(value).slice(0, 80)
}

function Compared({ id, pair: [a, b] }: { id: string; pair: [number, number] }) {
  const [before, after] = [useRevision(id, a), useRevision(id, b)]
  const fault = before.error ?? after.error
  if (fault) return <Fault role="alert">{fault.message}</Fault>
  if (!before.data || !after.data) return null
  const [old, now] = [before.data, after.data]
  const differences = differencesOf(old.document, now.document)
  if (differences.length === 0) return <p>{signWords.noDifference}</p>
  return (
    <table>
      <thead>
        <tr>
          <th scope="col">{signWords.what}</th>
          <th scope="col">{signWords.revision(a)}</th>
          <th scope="col">{signWords.revision(b)}</th>
        </tr>
      </thead>
      <tbody>
        {differences.slice(0, 60).map(({ path, before: was, after: is }) => (
          <tr key={path.join('/')}>
            <th scope="row">{describePath(is === undefined ? old.document : now.document, path)}</th>
            <td>{leaf(was)}</td>
            <td>{leaf(is)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
