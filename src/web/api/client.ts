import { hc, type InferResponseType } from 'hono/client'
import type { Api } from '../../server/app'
import { appWords } from '../../words/page/app'

/** The server's interface, typed by its routes; the only place where the page knows of the server. */
export const api = hc<Api>('/api')

export type JobRow = InferResponseType<typeof api.jobs.$get, 200>['rows'][number]
export type JobState = JobRow['state']
export type StoredJob = InferResponseType<(typeof api.jobs)[':id']['$get'], 200>
export type StoredLine = InferResponseType<(typeof api.lines)[':id']['$get'], 200>
export type StoredKit = InferResponseType<(typeof api.kit)[':id']['$get'], 200>

/** The sentence of a refusal, whatever shape came back. */
export async function sentenceOf(response: { json(): Promise<unknown>; status: number }): Promise<string> {
  try {
    const body = (await response.json()) as { error?: { path?: string; message?: string } }
    const { path, message } = body.error ?? {}
    if (message) return path ? `${path}: ${message}` : message
  } catch {
    /* not JSON: said below */
  }
  return appWords.theServerAnswered(response.status)
}
