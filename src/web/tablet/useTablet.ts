import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { unsentKeys } from '../notebook/shelves'
import { copiesOf } from './copies'
import { unmade } from './made'
import { picturesWaiting } from './pictures'
import { onWrite, writeFault } from './store'
import { linesTaken } from './take'

/** How far this browser goes in opening the page without the server. */
async function installed(): Promise<'insecure' | 'not-yet' | 'yes'> {
  if (!('serviceWorker' in navigator)) return 'insecure'
  const registration = await navigator.serviceWorker.getRegistration()
  return registration?.active ? 'yes' : 'not-yet'
}

async function onTablet() {
  const [taken, jobs, made, pictures, unsent, page, space, kept] = await Promise.all([
    linesTaken(),
    copiesOf('job'),
    unmade(),
    picturesWaiting(),
    unsentKeys(),
    installed(),
    navigator.storage?.estimate?.().catch(() => undefined),
    navigator.storage?.persisted?.().catch(() => false),
  ])
  const changed = [...unsent].filter((key) => !made.some((one) => one.key === key)).length
  return { taken, jobs: jobs.length, made: made.length, pictures, changed, page, space, kept: kept ?? false }
}

/** What is on this tablet, and what of it waits to be sent. */
export function useTablet() {
  const client = useQueryClient()
  useEffect(() => onWrite(() => void client.invalidateQueries({ queryKey: ['tablet'] })), [client])
  const { data } = useQuery({ queryKey: ['tablet'], queryFn: onTablet, staleTime: 0, refetchInterval: 8000 })
  return { here: data, fault: writeFault() }
}
