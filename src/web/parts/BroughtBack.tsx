import { useLocation, useNavigate } from 'react-router'
import styled from 'styled-components'
import { partsWords } from '../../words/page/parts'
import { useArchive } from '../api/archive'
import { Button, Fault } from './controls'

const Strip = styled.p`display: flex; flex-wrap: wrap; gap: 8px 14px; align-items: center; padding: 8px 14px; margin-bottom: 12px; background: var(--card); border: 1px solid var(--rule); border-radius: 4px;`

/** What was put away a moment ago; goes along with the address. */
export interface PutAway {
  kind: 'job' | 'line' | 'kit'
  id: string
  name: string
}

/** Says what was just put away, and brings it back. */
export function BroughtBack() {
  const { state, pathname, search } = useLocation()
  const navigate = useNavigate()
  const away = (state as { away?: PutAway } | null)?.away
  const forget = () => navigate(pathname + search, { replace: true, state: null })
  const back = useArchive(away?.kind ?? 'job', forget)
  if (!away) return null
  return (
    <Strip role="status">
      <span>{partsWords.isArchived(away.name)}</span>
      <Button onPress={() => back.mutate({ id: away.id, archived: false })}>{partsWords.restore}</Button>
      {back.error ? <Fault role="alert">{back.error.message}</Fault> : null}
    </Strip>
  )
}
