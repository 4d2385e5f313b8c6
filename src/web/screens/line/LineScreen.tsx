import { useMutation } from '@tanstack/react-query'
import { useNavigate, useParams } from 'react-router'
import styled from 'styled-components'
import type { AnyLine, KindName } from '../../../core/kinds'
import { describeLine } from '../../../words/describe'
import { lineWords } from '../../../words/page/line'
import { useArchive } from '../../api/archive'
import { useNewIds } from '../../api/useNewIds'
import { Waiting } from '../../app/Plain'
import { Header } from '../../app/Shell'
import { useSettingsOf } from '../../app/settings'
import { pages } from '../../kinds'
import type { LineProps } from '../../kinds/kind'
import type { DocumentSession } from '../../notebook/notebook'
import { Clashes, Saved } from '../../notebook/Saved'
import { lineShelf, useDocumentSession, useShelf } from '../../notebook/useNotebook'
import type { PutAway } from '../../parts/BroughtBack'
import { ButtonLink } from '../../parts/ButtonLink'
import { Button, Card, Fault } from '../../parts/controls'
import { Remove } from '../../parts/Remove'
import { make } from '../../tablet/made'
import { TakeAlong } from '../../tablet/TakeAlong'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: center;`

/** A line as it is known today; jobs have a copy of their own, and what they learn is the line's. */
export function LineScreen() {
  const { id = '' } = useParams()
  const { data, error, notebook } = useShelf(lineShelf, id)
  if (error) throw error
  if (!data || !notebook) return <Waiting />
  return <OpenLine key={id} id={id} notebook={notebook} archived={data.archivedAt !== null} />
}

function OpenLine({ id, notebook, archived }: { id: string; notebook: DocumentSession<AnyLine>; archived: boolean }) {
  const { document } = useDocumentSession(notebook)
  const { unit, flipped } = useSettingsOf(id, document)
  const navigate = useNavigate()
  const name = document.name || lineWords.theLine
  const away = useArchive('line', (put) => {
    if (put) navigate('/lines', { state: { away: { kind: 'line', id, name } satisfies PutAway } })
  })
  const ids = useNewIds()
  const copy = useMutation({
    mutationFn: () => {
      const copied = { ...document, name: `${document.name.slice(0, 70)} (copy)`.trim() }
      return make('line', { id: ids.of('copy'), document: copied })
    },
    onSuccess: (made) => {
      ids.done()
      navigate(`/lines/${made}`)
    },
  })
  return (
    <>
      <Header crumbs={[{ to: '/lines', text: lineWords.lines }, { text: document.name || lineWords.line }]}>
        <Saved notebook={notebook} />
      </Header>
      <Clashes notebook={notebook} describe={(path) => describeLine(document, path)} />
      <LineOf
        kind={document.kind}
        line={document}
        unit={unit}
        flipped={flipped}
        onChange={(change, mark) => notebook.edit(change, mark)}
        onward={
          <Row>
            <ButtonLink to={`/new?line=${id}`} $look="act">
              {lineWords.newJobOnThisLine}
            </ButtonLink>
            <ButtonLink to={`/lines/${id}/logbook`}>{lineWords.logbook}</ButtonLink>
          </Row>
        }
      >
        <Card aria-label={lineWords.copyOrArchive}>
          <Row>
            <Button isDisabled={copy.isPending} onPress={() => copy.mutate()}>
              {lineWords.duplicateThisLine}
            </Button>
            {archived ? null : <TakeAlong id={id} name={name} />}
            {archived ? (
              <Button onPress={() => away.mutate({ id, archived: false })}>{lineWords.restore}</Button>
            ) : (
              <Remove
                label={lineWords.archiveThisLine}
                goes={lineWords.thisTakesTheLineOff}
                onRemove={() => away.mutate({ id, archived: true })}
              />
            )}
          </Row>
          {away.error || copy.error ? <Fault role="alert">{(away.error ?? copy.error)?.message}</Fault> : null}
        </Card>
      </LineOf>
    </>
  )
}

/** The sheet of a line, as its kind has it. */
function LineOf<K extends KindName>({ kind, ...props }: { kind: K } & LineProps<K>) {
  const { Line } = pages[kind]
  return <Line {...props} />
}
