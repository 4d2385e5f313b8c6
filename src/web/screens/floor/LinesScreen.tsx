import { Link, useSearchParams } from 'react-router'
import styled from 'styled-components'
import { kindOf } from '../../../core/kinds'
import { plural } from '../../../words/language'
import { dueWords } from '../../../words/page/due'
import { floorWords } from '../../../words/page/floor'
import { useArchive } from '../../api/archive'
import { Header } from '../../app/Shell'
import { narrow } from '../../app/style'
import { BroughtBack } from '../../parts/BroughtBack'
import { ButtonLink } from '../../parts/ButtonLink'
import { Button, ButtonAnchor, Choices, Muted } from '../../parts/controls'
import { LongList } from '../../parts/LongList'
import { SearchField } from '../../parts/SearchField'
import { TakeAlong } from '../../tablet/TakeAlong'
import { LinesTable } from './LinesTable'
import { linesFitting } from './linesFitting'
import { SiteArchive } from './SiteArchive'
import { useLines } from './useLines'

const Page = styled.main`max-width: 1000px; margin: 0 auto; padding: 24px 20px 60px;`
const Top = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: center; margin-bottom: 20px; h1 { font-size: 26px; margin-right: auto; }`
const List = styled.div`> ul { list-style: none; margin: 0; padding: 0; border-top: 2px solid var(--ink); }
  li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 12px; align-items: center; border-bottom: 1px solid var(--rule); }
  a { display: grid; grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.6fr) 90px; gap: 4px 20px; align-items: center; min-height: 60px; padding: 8px; text-decoration: none; overflow-wrap: anywhere; ${narrow} { grid-template-columns: minmax(0, 1fr) auto; } }
  a:hover { background: var(--card); } h2 { font-size: 16px; }
  small { color: var(--muted); font-size: 13.5px; } small:last-child { text-align: right; } ${narrow} { small:nth-child(2) { grid-row: 2; grid-column: 1 / -1; } }`

/** Every line of the site, each with its sheet. */
export function LinesScreen() {
  const [params, setParams] = useSearchParams()
  const search = params.get('search') ?? ''
  const away = params.get('state') === 'away'
  const lines = useLines(away)
  const back = useArchive('line')
  const change = (key: string, value: string) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old)
        if (value) next.set(key, value)
        else next.delete(key)
        return next
      },
      { replace: true },
    )
  const found = linesFitting(lines.data ?? [], search)
  return (
    <>
      <Header crumbs={[{ text: floorWords.lines }]} />
      <Page id="bench">
        <BroughtBack />
        <Top>
          <h1>{floorWords.lines}</h1>
          <SearchField
            label={floorWords.searchLines}
            placeholder={floorWords.nameAreaOrMachine}
            value={search}
            onChange={(value) => change('search', value)}
          />
          <Choices
            label={floorWords.whichLines}
            value={away ? 'away' : 'all'}
            options={[
              { value: 'all', text: floorWords.active },
              { value: 'away', text: floorWords.archived },
            ]}
            onChange={(value) => change('state', value === 'away' ? 'away' : '')}
          />
          <ButtonAnchor href="/api/tags/lines.pdf" target="_blank" rel="noreferrer">
            {dueWords.tags}
          </ButtonAnchor>
          <ButtonLink to="/new" $look="act">
            {floorWords.newJob}
          </ButtonLink>
        </Top>
        {lines.error ? <p role="alert">{lines.error.message}</p> : null}
        {lines.data && found.length === 0 ? (
          <Muted as="p">
            {search ? floorWords.noLinesMatch : away ? floorWords.noArchivedLines : floorWords.noLinesYetStartA}
          </Muted>
        ) : null}
        <List>
          <LongList label={floorWords.lines} items={found} keyOf={({ id }) => id} height={61}>
            {(line) => (
              <>
                <Link to={`/lines/${line.id}`}>
                  <span>
                    <h2>{line.name || floorWords.unnamedLine}</h2>
                    <small>{line.area}</small>
                  </span>
                  <small>
                    {kindOf(line.document)
                      .named(line.document)
                      .machines.map(({ name }) => name)
                      .join(' – ')}
                  </small>
                  <small>{plural(line.jobs, { one: floorWords.n1Job, other: floorWords.jobs2(line.jobs) })}</small>
                </Link>
                {away ? (
                  <Button onPress={() => back.mutate({ id: line.id, archived: false })}>{floorWords.restore}</Button>
                ) : (
                  <TakeAlong id={line.id} name={line.name} />
                )}
              </>
            )}
          </LongList>
        </List>
        {away || !lines.data ? null : <LinesTable lines={lines.data} />}
        {away ? null : <SiteArchive />}
      </Page>
    </>
  )
}
