import { useMutation } from '@tanstack/react-query'
import { ArrowRight } from 'lucide-react'
import { useState } from 'react'
import { DropZone, isFileDropItem } from 'react-aria-components'
import { Link, useNavigate, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { jobFrom } from '../../../core/job/make'
import { type AnyLine, type KindName, kindAsked, kindNames, kindOf } from '../../../core/kinds'
import type { Occasion } from '../../../core/ready/catalog'
import { wordsOf } from '../../../words'
import { floorWords } from '../../../words/page/floor'
import { occasionNames } from '../../../words/ready'
import { useNewIds } from '../../api/useNewIds'
import { retryOnce } from '../../app/retryOnce'
import { Header } from '../../app/Shell'
import { changeSettings, useSettings } from '../../app/settings'
import { jobPath } from '../../job/steps'
import { lineKnownHere } from '../../notebook/learnedHere'
import { Button, Card, Choices, Fault, Field, Input, Muted, Select } from '../../parts/controls'
import { SearchField } from '../../parts/SearchField'
import { make } from '../../tablet/made'
import { linesFitting } from './linesFitting'
import { useLines } from './useLines'

const Page = styled.main`max-width: 900px; margin: 0 auto; padding: 24px 20px 60px; display: grid; gap: 20px; h1 { font-size: 26px; } h2 { font-size: 17px; margin-bottom: 12px; }`
const Grid = styled.div`display: grid; grid-template-columns: repeat(auto-fill, minmax(200px, 1fr)); gap: 12px; align-items: end;`
const Find = styled.div`display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: center; margin-bottom: 12px; a { padding: 12px 0; min-height: 44px; }`
const Zone = styled(
  DropZone,
)`padding: 10px; border: 1.5px dashed var(--rule); border-radius: 4px; &[data-drop-target] { border-color: var(--kelp); background: var(--paper); }`
const Lines = styled.ul`list-style: none; margin: 0; padding: 0; li { border-top: 1px solid var(--rule); }
  button { display: flex; gap: 12px; align-items: center; width: 100%; min-height: 52px; padding: 6px 8px; border: 0; background: none; text-align: left; cursor: pointer; overflow-wrap: anywhere; } button:hover { background: var(--paper); } button span { flex: 1; min-width: 0; }`

/** Rows shown before a person has to search. */
const shown = 30

/** A job begins with a line: one that is known, or a pair drawn now. */
export function NewJobScreen() {
  const [params] = useSearchParams()
  const wanted = params.get('line')
  const { unit, initials } = useSettings()
  const navigate = useNavigate()
  const [occasion, setOccasion] = useState<Occasion>('after-overhaul')
  const [name, setName] = useState('')
  const [kind, setKind] = useState<KindName>('train')
  const [picked, pick] = useState<Readonly<Record<string, string>>>({})
  const parts = wordsOf({ kind }).newParts.map(({ label, usual }) => picked[`${kind} ${label}`] ?? usual)
  const [search, setSearch] = useState('')
  const lines = useLines()

  const ids = useNewIds()
  const begin = useMutation({
    mutationFn: async (from: { id: string; line: AnyLine } | 'drawn') => {
      let lineId: string
      let line: AnyLine
      if (from === 'drawn') {
        line = kindOf({ kind }).makeLine(name.trim() || wordsOf({ kind }).usualName(parts), unit, parts)
        const id = ids.of(`line ${name} ${kind} ${parts.join(' ')} ${unit}`)
        lineId = await make('line', { id, document: line })
      } else {
        lineId = from.id
        line = await lineKnownHere(lineId, from.line)
      }
      const round = { ...kindOf(line).makeRound(line, new Date().toISOString(), unit), by: initials }
      const document = { ...jobFrom(line, round, occasionNames[occasion], occasion), doneBy: initials }
      const id = await make('job', { id: ids.of(`job ${lineId} ${occasion} ${initials}`), lineId, document })
      return from === 'drawn' ? jobPath(id, 'line') : jobPath(id, 'read')
    },
    onSuccess: (path) => navigate(path),
  })

  const bringIn = useMutation({
    mutationFn: async (file: File) => {
      let document: unknown
      try {
        document = JSON.parse(await file.text())
      } catch {
        throw new Error(floorWords.isNotAJsonDocument(file.name))
      }
      const { surveys } = await retryOnce(() => import('../../../core/kinds/surveys'))
      const made = surveys[kindAsked(document)].toJob(
        document,
        name.trim() || file.name.replace(/\..*$/, ''),
        new Date().toISOString(),
      )
      if (!made.ok) throw new Error(`${file.name}, ${made.fault.path || floorWords.theDocument}: ${made.fault.message}`)
      // a name that was typed wins over the one in the document
      const known = name.trim() ? { ...made.value.line, name: name.trim() } : made.value.line
      const brought = { ...made.value, line: known, doneBy: made.value.doneBy || initials }
      const lineId = await make('line', {
        id: ids.of(`line ${file.name} ${file.lastModified} ${known.name}`),
        document: known,
      })
      return jobPath(await make('job', { id: ids.of(`job ${lineId}`), lineId, document: brought }), 'read')
    },
    onSuccess: (path) => navigate(path),
  })

  const all = (lines.data ?? []).filter((line) => !wanted || line.id === wanted)
  const known = linesFitting(all, search)
  return (
    <>
      <Header crumbs={[{ text: floorWords.newJob }]} />
      <Page id="bench">
        <h1>{floorWords.newJob}</h1>
        <Grid>
          <Field label={floorWords.reasonForTheJob}>
            <Select
              value={occasion}
              options={Object.entries(occasionNames).map(([value, text]) => ({ value, text }))}
              onPick={(picked) => setOccasion(picked as Occasion)}
            />
          </Field>
          <Field label={floorWords.yourInitials}>
            <Input
              value={initials}
              maxLength={12}
              onChange={(event) => changeSettings({ initials: event.target.value })}
            />
          </Field>
        </Grid>
        {begin.error ? <Fault role="alert">{begin.error.message}</Fault> : null}
        {all.length > 0 ? (
          <Card aria-label={floorWords.existingLine}>
            <h2>{floorWords.onAnExistingLine}</h2>
            {wanted ? null : (
              <Find>
                <SearchField
                  label={floorWords.searchLines}
                  placeholder={floorWords.nameAreaOrMachine}
                  value={search}
                  onChange={setSearch}
                />
                <Link to="/lines">{floorWords.allLinesAndTheirDetails}</Link>
              </Find>
            )}
            <Lines>
              {known.slice(0, shown).map((line) => (
                <li key={line.id}>
                  <button
                    type="button"
                    disabled={begin.isPending}
                    onClick={() => begin.mutate({ id: line.id, line: line.document })}
                  >
                    <span>
                      <b>{floorWords.startOn(line.name || 'unnamed line')}</b> <Muted>{line.area}</Muted>
                    </span>
                    <ArrowRight size={18} aria-hidden="true" />
                  </button>
                </li>
              ))}
            </Lines>
            {known.length > shown ? (
              <Muted as="p">{floorWords.moreUseTheSearchAbove(known.length - shown)}</Muted>
            ) : known.length === 0 ? (
              <Muted as="p">{floorWords.noLinesMatchDrawIt}</Muted>
            ) : null}
          </Card>
        ) : null}
        {wanted ? null : (
          <Card
            as="form"
            aria-label={floorWords.newLine}
            onSubmit={(event) => {
              event.preventDefault()
              begin.mutate('drawn')
            }}
          >
            <h2>{floorWords.orDrawANewLine}</h2>
            <Grid>
              <Field label={floorWords.lineName}>
                <Input
                  value={name}
                  maxLength={80}
                  placeholder={floorWords.rinsePump4}
                  onChange={(event) => setName(event.target.value)}
                />
              </Field>
              {kindNames.length > 1 ? (
                <Field label={floorWords.kindOfLine}>
                  <Select
                    value={kind}
                    options={kindNames.map((one) => ({ value: one, text: wordsOf({ kind: one }).name }))}
                    onPick={(one) => setKind(one as KindName)}
                  />
                </Field>
              ) : null}
              {wordsOf({ kind }).newParts.map(({ label, options }, i) => (
                <Field key={`${kind} ${label}`} label={label}>
                  <Select
                    value={parts[i] ?? ''}
                    options={options}
                    onPick={(value) => pick((old) => ({ ...old, [`${kind} ${label}`]: value }))}
                  />
                </Field>
              ))}
              <Choices
                label={floorWords.units}
                value={unit}
                options={[
                  { value: 'mm', text: floorWords.mm },
                  { value: 'mil', text: floorWords.inchAndMil },
                ]}
                onChange={(value) => changeSettings({ unit: value })}
              />
              <Button look="act" type="submit" isDisabled={begin.isPending}>
                {floorWords.drawItAndStart}
              </Button>
            </Grid>
          </Card>
        )}
        {wanted ? null : (
          <Card aria-label={floorWords.fromASurveyDocument}>
            <h2>{floorWords.orImportASurveyDocument}</h2>
            <Zone
              aria-label={floorWords.orImportASurveyDocument}
              onDrop={async ({ items }) => {
                const [file] = items.filter(isFileDropItem)
                if (file) bringIn.mutate(await file.getFile())
              }}
            >
              <Field label={floorWords.aFileInTheOpen}>
                <input
                  style={{ minHeight: 44, padding: '8px 0' }}
                  type="file"
                  accept=".json,application/json"
                  onChange={(event) => {
                    const [file] = event.target.files ?? []
                    if (file) bringIn.mutate(file)
                  }}
                />
              </Field>
            </Zone>
            {bringIn.error ? <Fault role="alert">{bringIn.error.message}</Fault> : null}
          </Card>
        )}
      </Page>
    </>
  )
}
