import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import styled from 'styled-components'
import { appWords } from '../../../words/page/app'
import { siteArchiveWords as words } from '../../../words/page/siteArchive'
import { type api, sentenceOf } from '../../api/client'
import { Button, ButtonAnchor, Card, Fault, Muted } from '../../parts/controls'

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; margin-top: 20px; h2 { font-size: 17px; } ul { margin: 0; padding-left: 20px; max-height: 240px; overflow: auto; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 10px; align-items: center;`

type ImportReport = Awaited<ReturnType<typeof bring>>

/** Sends an archive, which only this old way of asking tells the progress of. */
function send(file: File, onSent: (share: number) => void): Promise<Response> {
  return new Promise((done, failed) => {
    const request = new XMLHttpRequest()
    request.open('POST', '/api/archive')
    request.setRequestHeader('Content-Type', 'application/zip')
    request.upload.onprogress = ({ loaded, total }) => onSent(total > 0 ? loaded / total : 0)
    request.onload = () => done(new Response(request.responseText, { status: request.status }))
    request.onerror = () => failed(new Error(appWords.cantReachTheServer))
    request.send(file)
  })
}

async function bring(file: File, onSent: (share: number) => void) {
  const sent = await send(file, onSent)
  if (!sent.ok) throw new Error(await sentenceOf(sent))
  return (await sent.json()) as Extract<
    Awaited<ReturnType<Awaited<ReturnType<typeof api.archive.$post>>['json']>>,
    { added: unknown }
  >
}

/** The whole site out as one file, and another one in; what became of it is told. */
export function SiteArchive() {
  const file = useRef<HTMLInputElement>(null)
  const client = useQueryClient()
  const [sent, setSent] = useState(0)
  const put = useMutation({
    mutationFn: (chosen: File) => bring(chosen, setSent),
    onSuccess: () => client.invalidateQueries(),
  })
  return (
    <Sheet aria-label={words.whole}>
      <h2>{words.whole}</h2>
      <Muted>{words.holds}</Muted>
      <Row>
        <ButtonAnchor href="/api/archive">{words.take}</ButtonAnchor>
        <Button isDisabled={put.isPending} onPress={() => file.current?.click()}>
          {put.isPending ? (sent < 1 ? words.sending(Math.round(100 * sent)) : words.bringing) : words.bring}
        </Button>
        <input
          ref={file}
          type="file"
          accept=".zip,application/zip"
          hidden
          aria-label={words.bring}
          onChange={({ target }) => {
            const [chosen] = target.files ?? []
            if (chosen) put.mutate(chosen)
            target.value = ''
          }}
        />
        {put.isPending ? <progress value={sent < 1 ? sent : undefined} aria-label={words.bring} /> : null}
        <Muted>{words.never}</Muted>
      </Row>
      {put.data ? <Report told={put.data} /> : null}
      {put.error ? <Fault role="alert">{put.error.message}</Fault> : null}
    </Sheet>
  )
}

function Report({ told: { added, same, clashed, renumbered } }: { told: ImportReport }) {
  return (
    <div role="status">
      <p>{words.added(added.lines, added.jobs, added.revisions, added.kit, added.photographs)}</p>
      {same > 0 ? <p>{words.same(same)}</p> : null}
      {clashed.length > 0 ? (
        <>
          <p>{words.clashed(clashed.length)}</p>
          <ul>
            {clashed.map(({ part, id, name }) => (
              <li key={`${part}${id}`}>{[name, id].filter(Boolean).join(', ')}</li>
            ))}
          </ul>
        </>
      ) : null}
      {renumbered.map(({ id, was, now }) => (
        <p key={id}>{words.renumbered(was, now)}</p>
      ))}
    </div>
  )
}
