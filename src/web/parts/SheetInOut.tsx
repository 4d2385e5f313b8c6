import { useState } from 'react'
import { FileTrigger } from 'react-aria-components'
import styled from 'styled-components'
import type { SheetFault } from '../../core/quantity/sheet'
import { sayFault, sheetWords as words } from '../../words/page/sheet'
import { Button, Card, Fault, Muted } from './controls'
import { fileName, safeCells, saveText } from './files'

const Row = styled.div`display: flex; flex-wrap: wrap; gap: 10px; align-items: center;`

type Tried = { ok: true; rows: number; take: () => void } | { ok: false; faults: readonly SheetFault[] }

/** A job as a sheet of rows: looked at before anything is taken, taken out as it stands. */
export function SheetInOut(props: {
  hint: string
  name: string
  cells: () => string[][]
  /** What the rows of a file would do; absent where nothing may be changed. */
  read?: ((cells: readonly (readonly string[])[]) => Tried) | undefined
}) {
  const [tried, setTried] = useState<Tried>()
  const [told, tell] = useState('')
  const tryIt = async (file: File | undefined) => {
    if (!file || !props.read) return
    tell('')
    try {
      const [{ default: papa }, text] = await Promise.all([import('papaparse'), file.text()])
      setTried(props.read(papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data))
    } catch {
      tell(words.unreadable)
    }
  }
  const takeOut = async () => {
    const { default: papa } = await import('papaparse')
    saveText(`${fileName(props.name) || 'job'}.csv`, 'text/csv', papa.unparse(props.cells(), safeCells))
  }
  return (
    <Card as="section" aria-label={words.title} style={{ marginBottom: 16, display: 'grid', gap: 10 }}>
      <h2>{words.title}</h2>
      <Muted>{props.hint}</Muted>
      <Row>
        {props.read ? (
          <FileTrigger
            acceptedFileTypes={['.csv', '.txt', 'text/csv']}
            onSelect={(files) => void tryIt(files?.[0] ?? undefined)}
          >
            <Button>{words.bringIn}</Button>
          </FileTrigger>
        ) : null}
        <Button onPress={() => void takeOut()}>{words.takeOut}</Button>
      </Row>
      {tried?.ok ? (
        <Row>
          <span role="status">{words.found(tried.rows)}</span>
          <Button
            look="act"
            onPress={() => {
              tried.take()
              tell(words.done(tried.rows))
              setTried(undefined)
            }}
          >
            {words.doIt}
          </Button>
          <Button look="quiet" onPress={() => setTried(undefined)}>
            {words.cancel}
          </Button>
        </Row>
      ) : null}
      {tried && !tried.ok ? (
        <div role="alert">
          <Fault>{words.nothing}</Fault>
          <ul>
            {tried.faults.slice(0, 20).map((fault) => (
              <li key={`${fault.row} ${fault.column}`}>{sayFault(fault)}</li>
            ))}
            {tried.faults.length > 20 ? <li>{words.more(tried.faults.length - 20)}</li> : null}
          </ul>
        </div>
      ) : null}
      {told ? <Muted role="status">{told}</Muted> : null}
    </Card>
  )
}
