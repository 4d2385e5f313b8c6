import { hc, type InferResponseType } from 'hono/client'
import { ownAnswer } from '../../core/site/answer'
import type { Api } from '../../server/app'
import { appWords } from '../../words/page/app'
import { markSignedOut } from '../accounts/entry'
import { heard, Unreached } from './reach'

/** Answers with which a server, or what stands before it, says that it cannot be had just now. */
const away = new Set([502, 503, 504])
/** Nobody is signed in: once somebody is, the same request is answered. */
const signInFirst = 401

/** An act that needs no more said is sent as JSON all the same: what is none the server takes for a page of another site's. */
function saying(init: RequestInit | undefined): RequestInit | undefined {
  if (!init || init.body || (init.method ?? 'GET') === 'GET') return init
  const headers = new Headers(init.headers)
  headers.set('Content-Type', 'application/json')
  return { ...init, headers, body: '{}' }
}

/**
 * A request to the server.
 *
 * @throws Unreached where no answer came, or one that is not this server's own
 */
export async function ask(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
  try {
    const response = await fetch(input, saying(init))
    if (!response.headers.has(ownAnswer)) throw new Error(`Not this server’s: ${response.status}`)
    heard(!away.has(response.status))
    // the door's own answers are told where they were asked for
    if (response.status === signInFirst && !String(input).startsWith('/api/door')) markSignedOut()
    return response
  } catch (error) {
    heard(false)
    throw new Unreached(appWords.cantReachTheServer, { cause: error })
  }
}

/** The server's interface, typed by its routes; the only place where the page knows of the server. */
export const api = hc<Api>('/api', { fetch: ask })

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

/** What comes of a request that is not refused. */
type Answer<R extends { json(): Promise<unknown> }> = Exclude<
  Awaited<ReturnType<R['json']>>,
  { error: { path: string; message: string } }
>

/**
 * What a request was answered with.
 *
 * @throws Unreached where no answer came or the server cannot answer now, Error with the sentence of a refusal
 */
export async function answered<R extends { ok: boolean; status: number; json(): Promise<unknown> }>(
  request: Promise<R>,
): Promise<Answer<R>> {
  const response = await request
  if (response.ok) return (await response.json()) as Answer<R>
  const sentence = await sentenceOf(response)
  throw away.has(response.status) || response.status === signInFirst ? new Unreached(sentence) : new Error(sentence)
}
