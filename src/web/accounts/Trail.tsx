import { useInfiniteQuery, useMutation } from '@tanstack/react-query'
import type { InferResponseType } from 'hono/client'
import { Link } from 'react-router'
import styled from 'styled-components'
import { sayMoment } from '../../words/dates'
import { actNames, thingNames, doorWords as words } from '../../words/page/door'
import { answered, api } from '../api/client'
import { mono, narrow } from '../app/style'
import { Button, ButtonAnchor, Card, Fault, Muted } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { Wide } from '../parts/Wide'

type Row = InferResponseType<typeof api.trail.$get, 200>[number]

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; code { ${mono} font-size: 12px; overflow-wrap: anywhere; } > button { justify-self: start; }`
const Acts = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`
const Table = styled.table`border-collapse: collapse; width: 100%; border-top: 2px solid var(--ink);
  th, td { text-align: left; padding: 7px 16px 7px 4px; border-bottom: 1px solid var(--rule); vertical-align: top; }
  th { color: var(--muted); font-size: 13px; font-weight: 500; } td:first-child { ${mono} white-space: nowrap; font-size: 13.5px; ${narrow} { white-space: normal; } }
  a { display: inline-flex; align-items: center; min-height: 44px; margin: -12px 0; }`
const Notice = styled.p`display: grid; grid-template-columns: 16px 1fr; gap: 8px; margin: 0; font-weight: 600;`

/** Who changed what, the latest first; and whether the chain still holds. */
export function Trail() {
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: ['trail'],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }) =>
      answered(api.trail.$get({ query: pageParam === undefined ? {} : { before: String(pageParam) } })),
    getNextPageParam: (page: Row[]) => {
      const last = page.at(-1)
      return last && last.number > 1 ? last.number : undefined
    },
  })
  const check = useMutation({ mutationFn: () => answered(api.trail.check.$get()) })
  const rows = data?.pages.flat() ?? []
  return (
    <Sheet aria-label={words.trail}>
      <h2>{words.trail}</h2>
      <Muted>{words.trailHint}</Muted>
      <Acts>
        <Button isDisabled={check.isPending} onPress={() => check.mutate()}>
          {words.check}
        </Button>
        <ButtonAnchor href="/api/trail/whole.jsonl" download>
          {words.whole}
        </ButtonAnchor>
      </Acts>
      {check.data ? (
        <Notice role="status">
          <Peg size={14} peg={check.data.brokenAt === null ? 'within' : 'outside'} />
          <span>
            {check.data.brokenAt === null ? (
              <>
                {words.holds(check.data.rows)} <code>{check.data.head}</code>
              </>
            ) : (
              words.broken(check.data.brokenAt)
            )}
          </span>
        </Notice>
      ) : null}
      {check.error ? <Fault role="alert">{check.error.message}</Fault> : null}
      <Wide>
        <Table>
          <thead>
            <tr>
              <th>{words.when}</th>
              <th>{words.who}</th>
              <th>{words.what}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.number}>
                <td>{sayMoment(new Date(row.at))}</td>
                <td>{row.name || words.thisMachine}</td>
                <td>
                  {actNames[row.act] ?? row.act} <Thing row={row} />
                </td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Wide>
      {hasNextPage ? (
        <Button isDisabled={isFetchingNextPage} onPress={() => void fetchNextPage()}>
          {words.older}
        </Button>
      ) : null}
    </Sheet>
  )
}

/** What it was done to, by name or with the way there. */
function Thing({ row: { kind, of, called, jobNumber } }: { row: Row }) {
  const thing = thingNames[kind] ?? kind
  if (kind === 'person') return <>{called ?? thing}</>
  if (kind === 'job' && jobNumber !== null) return <Link to={`/jobs/${of}`}>{words.job(jobNumber, called ?? '')}</Link>
  if (kind === 'line' && called !== null) return <Link to={`/lines/${of}`}>{words.called(thing, called)}</Link>
  // many at once are named by how many there are
  if (of.includes(' ')) return <>{words.many(of.split(' ').length, thing)}</>
  return <>{called === null ? thing : words.called(thing, called)}</>
}
