import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import styled from 'styled-components'
import type { AnyLine } from '../../../core/kinds'
import { lineTables } from '../../../core/kinds/tables'
import { wordsOf } from '../../../words'
import { tableWords as said } from '../../../words/page/lineTable'
import { api, sentenceOf } from '../../api/client'
import { newId } from '../../app/newId'
import { Button, Card, Fault, Muted } from '../../parts/controls'
import { safeCells, saveText } from '../../parts/files'

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; margin-top: 20px; h2 { font-size: 17px; } ul { margin: 0; padding-left: 20px; max-height: 320px; overflow: auto; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 10px; align-items: center;`

const most = 500

type Tried = { ok: true; lines: AnyLine<'train'>[] } | { ok: false; faults: string[] }

/** Coupled machines as a table: looked at before anything is added, taken out as they are. */
export function LinesTable({ lines }: { lines: readonly { name: string; area: string; document: AnyLine }[] }) {
  const table = lineTables.train
  const { lineFaults } = wordsOf({ kind: 'train' })
  const [tried, setTried] = useState<Tried>()
  const [told, tell] = useState('')
  const file = useRef<HTMLInputElement>(null)
  const client = useQueryClient()
  const put = useMutation({
    mutationFn: async (made: readonly AnyLine[]) => {
      const response = await api.lines.many.$post({
        json: { lines: made.map((document) => ({ id: newId('line'), document })) },
      })
      if (!response.ok) throw new Error(await sentenceOf(response))
      return (await response.json()).stored
    },
    onSuccess: async (count) => {
      setTried(undefined)
      tell(said.done(count))
      await client.invalidateQueries()
    },
  })
  if (!table) return null
  const tryIt = async (chosen: File | undefined) => {
    if (!chosen) return
    tell('')
    const [{ default: papa }, text] = await Promise.all([import('papaparse'), chosen.text()])
    const { data } = papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' })
    const read = table.read(data, lines)
    if (!read.ok)
      setTried({
        ok: false,
        faults: read.faults.map(({ row, column, what }) => said.fault(row, column, lineFaults?.[what] ?? what)),
      })
    else if (read.lines.length > most) setTried({ ok: false, faults: [said.tooMany] })
    else if (read.lines.length === 0) setTried({ ok: false, faults: [said.empty] })
    else setTried(read)
  }
  const takeOut = async () => {
    const { default: papa } = await import('papaparse')
    const trains = lines.flatMap(({ document }) => (document.kind === 'train' ? [document] : []))
    const rows = trains.flatMap((line) => {
      const row = table.row(line)
      return row ? [row] : []
    })
    const left = lines.length - rows.length
    tell(left > 0 ? said.leftOut(left) : '')
    saveText('lines.csv', 'text/csv', papa.unparse([table.heading(trains), ...rows], safeCells))
  }
  return (
    <Sheet aria-label={said.table}>
      <h2>{said.table}</h2>
      <Muted>{said.holds}</Muted>
      <Row>
        <Button onPress={() => file.current?.click()}>{said.bringIn}</Button>
        <Button onPress={() => void takeOut()}>{said.takeOut}</Button>
        <input
          ref={file}
          type="file"
          accept=".csv,.txt,text/csv"
          hidden
          aria-label={said.bringIn}
          onChange={({ target }) => {
            void tryIt(target.files?.[0])
            target.value = ''
          }}
        />
      </Row>
      {tried?.ok ? (
        <Row>
          <span role="status">
            {said.found(tried.lines.length)}{' '}
            {said.first(
              tried.lines
                .slice(0, 3)
                .map(({ name }) => name)
                .join(', '),
            )}
          </span>
          <Button look="act" isDisabled={put.isPending} onPress={() => put.mutate(tried.lines)}>
            {said.doIt}
          </Button>
          <Button look="quiet" onPress={() => setTried(undefined)}>
            {said.cancel}
          </Button>
        </Row>
      ) : null}
      {tried && !tried.ok ? (
        <div role="alert">
          <Fault>{said.nothing}</Fault>
          <ul>
            {tried.faults.slice(0, 50).map((text) => (
              <li key={text}>{text}</li>
            ))}
            {tried.faults.length > 50 ? <li>{said.more(tried.faults.length - 50)}</li> : null}
          </ul>
        </div>
      ) : null}
      {told ? <Muted role="status">{told}</Muted> : null}
      {put.error ? <Fault role="alert">{put.error.message}</Fault> : null}
    </Sheet>
  )
}
