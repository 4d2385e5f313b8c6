import { useMutation, useQueryClient } from '@tanstack/react-query'
import { Plus } from 'lucide-react'
import { useSearchParams } from 'react-router'
import styled from 'styled-components'
import { dialSd } from '../../../core/kit/fits'
import { makeKitItem } from '../../../core/kit/make'
import type { KitItem, KitKind } from '../../../core/kit/schema'
import { describeKit } from '../../../words/describe'
import { kitKinds, kitPeg, kitSummary } from '../../../words/kit'
import { kitWords } from '../../../words/page/kit'
import { useArchive } from '../../api/archive'
import type { StoredKit } from '../../api/client'
import { useNewIds } from '../../api/useNewIds'
import { Waiting } from '../../app/Plain'
import { Header } from '../../app/Shell'
import { useSettings } from '../../app/settings'
import { narrow } from '../../app/style'
import type { DocumentSession } from '../../notebook/notebook'
import { Clashes, Saved } from '../../notebook/Saved'
import { useKit } from '../../notebook/useKit'
import { kitShelf, useDocumentSession, useShelf } from '../../notebook/useNotebook'
import { BroughtBack, type PutAway } from '../../parts/BroughtBack'
import { Button, Card, Fault, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { Remove } from '../../parts/Remove'
import { make } from '../../tablet/made'
import { Bracket } from './Bracket'
import { Dial } from './Dial'
import { Gauge } from './Gauge'
import { Head } from './Head'
import { Lift } from './Lift'
import { LimitsTable } from './LimitsTable'
import { Shims } from './Shims'
import { WhichDial } from './WhichDial'

const Page = styled.div`display: grid; grid-template-columns: 380px minmax(0, 1fr); min-height: calc(100vh - 52px); ${narrow} { grid-template-columns: minmax(0, 1fr); }`
const List = styled.nav`border-right: 1px solid var(--rule); padding: 20px; display: grid; gap: 20px; align-content: start; background: var(--card); ${narrow} { border-right: 0; border-bottom: 1px solid var(--rule); padding: 12px; /* a piece that was tapped takes the screen; the crumb leads back */ &[data-behind] > section { display: none; } }
  h1 { font-size: 24px; } h2 { font-size: 15px; display: flex; justify-content: space-between; align-items: center; }
  ul { list-style: none; margin: 0; padding: 0; } li { border-top: 1px solid var(--rule); }`
const Row = styled.button`display: grid; grid-template-columns: 20px 1fr; gap: 2px 10px; align-items: center; width: 100%; text-align: left; border: 0; background: none; padding: 8px 6px; min-height: 52px; cursor: pointer;
  b { font-weight: 600; } small { grid-column: 2; color: var(--muted); font-size: 13px; }
  &[aria-current='true'] { background: var(--paper); box-shadow: inset 4px 0 0 var(--kelp); padding-left: 14px; }
  &:hover b { text-decoration: underline; }`
const Work = styled.main`padding: 20px; min-width: 0; display: grid; gap: 16px; align-content: start; h2 { font-size: 17px; }`

const kinds: readonly KitKind[] = ['dial', 'bracket', 'head', 'shims', 'limits', 'gauge', 'lift']

/** Dials, brackets with their sag, heads, shims, and comparisons against a gauge block. */
export function KitScreen() {
  const { items, loaded } = useKit()
  const { unit } = useSettings()
  const [params, setParams] = useSearchParams()
  const client = useQueryClient()
  const chosen = params.get('item')
  const today = new Date().toISOString().slice(0, 10)
  const ids = useNewIds()
  const add = useMutation({
    mutationFn: (kind: KitKind) => make('kit', { id: ids.of(kind), document: makeKitItem(kind, unit) }),
    onSuccess: async (id) => {
      ids.done()
      await client.invalidateQueries({ queryKey: ['kits'] })
      setParams({ item: id })
    },
  })
  if (!loaded) return <Waiting />
  return (
    <>
      {chosen ? null : <Header crumbs={[{ text: kitWords.kit }]} />}
      {chosen ? (
        <OpenItem key={chosen} id={chosen} leave={(away) => setParams({}, { state: { away } })}>
          {(work) => (
            <Page>
              <KitList
                {...{ items, chosen, today, unit }}
                pick={(id) => setParams({ item: id })}
                add={(kind) => add.mutate(kind)}
              />
              <Work id="bench">{work}</Work>
            </Page>
          )}
        </OpenItem>
      ) : (
        <Page>
          <KitList
            {...{ items, chosen, today, unit }}
            pick={(id) => setParams({ item: id })}
            add={(kind) => add.mutate(kind)}
          />
          <Work id="bench">
            <BroughtBack />
            {add.error ? <Fault role="alert">{add.error.message}</Fault> : null}
            {items.length === 0 ? (
              <p>{kitWords.nothingInTheKitYet}</p>
            ) : (
              <Wants {...{ items, today, unit }} pick={(id) => setParams({ item: id })} />
            )}
            <WhichDial items={items} unit={unit} />
            <TakenOut pick={(id) => setParams({ item: id })} />
          </Work>
        </Page>
      )}
    </>
  )
}

/** Before a piece is chosen: what of the kit wants something done, the worst first. */
function Wants(props: { items: readonly StoredKit[]; today: string; unit: 'mm' | 'mil'; pick: (id: string) => void }) {
  const { items, today, unit } = props
  const wanting = items
    .map((item) => ({ item, peg: kitPeg(item.document, today) }))
    .filter(({ peg }) => peg === 'outside' || peg === 'unsure')
    .sort((a, b) => Number(b.peg === 'outside') - Number(a.peg === 'outside'))
  return (
    <Card aria-label={kitWords.wants}>
      <h2>{kitWords.wants}</h2>
      {wanting.length === 0 ? <Muted>{kitWords.nothingWants}</Muted> : null}
      {wanting.map(({ item: { id, document }, peg }) => (
        <Row key={id} type="button" onClick={() => props.pick(id)}>
          <Peg peg={peg} size={14} label="" />
          <b>{document.name || kitKinds[document.kind].one}</b>
          <small>{kitSummary(document, unit, today)}</small>
        </Row>
      ))}
      <Muted>{kitWords.chooseAnItemToView}</Muted>
    </Card>
  )
}

/** What was taken out of the kit; a press on one opens it, to be brought back. */
function TakenOut({ pick }: { pick: (id: string) => void }) {
  const { items } = useKit(true)
  if (items.length === 0) return null
  return (
    <details>
      <summary>{kitWords.archived(items.length)}</summary>
      {items.map(({ id, document }) => (
        <Button key={id} look="quiet" onPress={() => pick(id)}>
          {document.name || kitKinds[document.kind].one}
        </Button>
      ))}
    </details>
  )
}

function KitList(props: {
  items: readonly StoredKit[]
  chosen: string | null
  today: string
  unit: 'mm' | 'mil'
  pick: (id: string) => void
  add: (kind: KitKind) => void
}) {
  const { items, chosen, today, unit } = props
  return (
    <List aria-label={kitWords.kit} data-behind={chosen ? '' : undefined}>
      <h1>{kitWords.kit}</h1>
      {kinds.map((kind) => (
        <section key={kind} aria-label={kitKinds[kind].many}>
          <h2>
            {kitKinds[kind].many}
            <Button look="quiet" aria-label={kitWords.addA(kitKinds[kind].one)} onPress={() => props.add(kind)}>
              <Plus size={16} />
            </Button>
          </h2>
          <ul>
            {items
              .filter((item) => item.kind === kind)
              .map(({ id, document }) => (
                <li key={id}>
                  <Row type="button" aria-current={id === chosen} onClick={() => props.pick(id)}>
                    <Peg peg={kitPeg(document, today)} size={14} label="" />
                    <b>{document.name || kitKinds[kind].one}</b>
                    <small>{kitSummary(document, unit, today)}</small>
                  </Row>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </List>
  )
}

function OpenItem({
  id,
  leave,
  children,
}: {
  id: string
  leave: (away: PutAway) => void
  children: (work: React.ReactNode) => React.ReactNode
}) {
  const { data, error, notebook } = useShelf(kitShelf, id)
  if (error)
    return (
      <>
        <Header crumbs={[{ to: '/kit', text: kitWords.kit }]} />
        {children(<Fault role="alert">{error.message}</Fault>)}
      </>
    )
  if (!data || !notebook) return <Waiting />
  return <Item id={id} notebook={notebook} archived={data.archivedAt !== null} leave={leave} frame={children} />
}

function Item(props: {
  id: string
  notebook: DocumentSession<KitItem>
  archived: boolean
  leave: (away: PutAway) => void
  frame: (work: React.ReactNode) => React.ReactNode
}) {
  const { id, notebook, leave, archived } = props
  const { document } = useDocumentSession(notebook)
  const { unit } = useSettings()
  const { items } = useKit()
  const remove = useArchive('kit', (away) => {
    if (away) leave({ kind: 'kit', id, name: document.name || kitKinds[document.kind].one })
  })
  const put = (change: Partial<KitItem>, mark: string) =>
    notebook.edit((item) => ({ ...item, ...change }) as KitItem, mark)
  const dials = items.flatMap((item) => (item.document.kind === 'dial' ? [item.document.name] : []))
  const repeats = (name: string) => {
    const dial = items.find((item) => item.document.kind === 'dial' && item.document.name === name)?.document
    return dial?.kind === 'dial' ? dialSd(dial) : undefined
  }
  return (
    <>
      <Header crumbs={[{ to: '/kit', text: kitWords.kit }, { text: document.name || kitKinds[document.kind].one }]}>
        <Saved notebook={notebook} />
      </Header>
      <Clashes notebook={notebook} describe={describeKit} />
      {props.frame(
        <>
          {document.kind === 'dial' ? <Dial item={document} unit={unit} put={put} /> : null}
          {document.kind === 'bracket' ? (
            <Bracket item={document} unit={unit} put={put} dials={dials} items={items} />
          ) : null}
          {document.kind === 'head' ? <Head item={document} unit={unit} put={put} /> : null}
          {document.kind === 'gauge' ? (
            <Gauge item={document} unit={unit} put={put} dials={dials} repeats={repeats} />
          ) : null}
          {document.kind === 'lift' ? <Lift item={document} unit={unit} put={put} /> : null}
          {document.kind === 'shims' ? <Shims item={document} unit={unit} put={put} /> : null}
          {document.kind === 'limits' ? <LimitsTable item={document} unit={unit} put={put} /> : null}
          {document.kind === 'dial' ? <WhichDial items={items} unit={unit} /> : null}
          <div>
            {archived ? (
              <Button onPress={() => remove.mutate({ id, archived: false })}>{kitWords.restoreToTheKit}</Button>
            ) : (
              <Remove
                label={kitWords.archiveThisItem}
                act={kitWords.archive}
                goes={kitWords.jobsThatUsedItKeep}
                onRemove={() => remove.mutate({ id, archived: true })}
              />
            )}
            {remove.error ? <Fault role="alert">{remove.error.message}</Fault> : null}
          </div>
        </>,
      )}
    </>
  )
}
