import { useQuery, useQueryClient } from '@tanstack/react-query'
import { Link } from 'react-router'
import styled from 'styled-components'
import { sayDayTime } from '../../words/dates'
import { notebookWords } from '../../words/page/notebook'
import { Peg } from '../parts/Peg'
import { Remove } from '../parts/Remove'
import { sendLeft, throwAway } from './shelves'

const Panel = styled.section`
  margin-bottom: 20px; padding: 14px 16px; border: 2px solid var(--outside); border-radius: 4px; background: var(--card);
  h2 { font-size: 16px; display: flex; gap: 8px; align-items: center; }
  ul { margin: 8px 0 0; padding: 0; list-style: none; }
  a { display: inline-flex; align-items: center; min-height: 44px; }
`

const placeOf: Readonly<Record<string, string>> = { job: '/jobs/', line: '/lines/', kit: '/kit?item=' }

/** Work that this device keeps and the server does not have yet; what can be sent is sent. */
export function Unsent() {
  const client = useQueryClient()
  const { data } = useQuery({
    queryKey: ['unsent'],
    queryFn: sendLeft,
    retry: false,
    staleTime: 0,
    refetchInterval: 5000,
  })
  if (!data || data.length === 0) return null
  return (
    <Panel role="status" aria-label={notebookWords.notSentYet}>
      <h2>
        <Peg peg="outside" size={12} label="" />
        {notebookWords.onThisDeviceNotSent}
      </h2>
      <ul>
        {data.map(({ key, page, title, at, open }) => {
          const [kind = '', id = ''] = key.split(':')
          return (
            <li key={`${key} ${page}`}>
              <Link to={`${placeOf[kind] ?? '/'}${id}`}>{title || notebookWords.unnamed}</Link>
              {notebookWords.changed(sayDayTime(at), open.length > 0 ? ': conflict, open it and choose' : '')}{' '}
              <Remove
                label={notebookWords.discardChangesTo(title || 'it')}
                goes={notebookWords.whatWasTypedHereAnd}
                act={notebookWords.discard}
                onRemove={() =>
                  void throwAway({ key, page }).then(() => client.invalidateQueries({ queryKey: ['unsent'] }))
                }
              />
            </li>
          )
        })}
      </ul>
    </Panel>
  )
}
