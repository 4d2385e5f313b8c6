import { useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import * as v from 'valibot'
import { heard } from '../api/reach'
import { keepUp } from '../tablet/sync'
import { has, outbox } from './shelves'

const changeSchema = v.object({ kind: v.picklist(['job', 'line', 'kit']), id: v.string(), version: v.number() })

/** Several changes at once are one look at the lists, ms. */
const together = 250
const pauses = [500, 1000, 2000, 4000, 8000]

/**
 * Listens to what others store: lists are fetched anew, and a document that is open here is, where this page does not know
 * that version. A line that is lost comes back by itself; what was missed meanwhile is fetched then.
 */
export function useChanges(): void {
  const client = useQueryClient()
  useEffect(() => {
    let wanted = true
    let tries = 0
    let timer: ReturnType<typeof setTimeout> | undefined
    let lists: ReturnType<typeof setTimeout> | undefined
    let socket: WebSocket | undefined
    const listsOf = (kind: string) => {
      lists ??= setTimeout(() => {
        lists = undefined
        void client.invalidateQueries({ queryKey: [`${kind}s`] })
        if (kind !== 'job') void client.invalidateQueries({ queryKey: ['jobs'] })
      }, together)
    }
    const hear = async (line: string) => {
      const change = v.safeParse(changeSchema, JSON.parse(line))
      if (!change.success) return
      const { kind, id, version } = change.output
      listsOf(kind)
      keepUp(client, kind, id)
      if (!(await has(kind, id, version))) await client.invalidateQueries({ queryKey: [kind, id] })
    }
    const connect = () => {
      socket = new WebSocket(`${location.protocol === 'https:' ? 'wss' : 'ws'}://${location.host}/api/changes/live`)
      socket.onopen = () => {
        heard(true)
        if (tries > 0) {
          void client.invalidateQueries()
          void outbox.wake()
        }
        tries = 0
      }
      socket.onmessage = ({ data }) => {
        for (const line of String(data).split('\n')) if (line !== '') void hear(line).catch(() => undefined)
      }
      socket.onclose = () => {
        if (!wanted) return
        // one that never came up: nobody is there
        if (tries > 0) heard(false)
        timer = setTimeout(connect, pauses[Math.min(tries, pauses.length - 1)])
        tries++
      }
    }
    connect()
    return () => {
      wanted = false
      clearTimeout(timer)
      clearTimeout(lists)
      socket?.close()
    }
  }, [client])
}
