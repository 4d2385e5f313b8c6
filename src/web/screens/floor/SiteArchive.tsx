import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useRef } from 'react'
import styled from 'styled-components'
import { siteArchiveWords as words } from '../../../words/page/siteArchive'
import { type api, sentenceOf } from '../../api/client'
import { Button, ButtonAnchor, Card, Fault, Muted } from '../../parts/controls'

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; margin-top: 20px; h2 { font-size: 17px; } ul { margin: 0; padding-left: 20px; max-height: 240px; overflow: auto; }`
const Row = styled.div`display: flex; flex-wrap: wrap; gap: 10px; align-items: center;`

type Told = Awaited<ReturnType<typeof bring>>

async function bring(file: File) {
  // the client sends JSON; a zip goes as it is
  const sent = await fetch('/api/archive', {
    method: 'POST',
    body: file,
    headers: { 'Content-Type': 'application/zip' },
  })
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
  const put = useMutation({ mutationFn: bring, onSuccess: () => client.invalidateQueries() })
  return (
    <Sheet aria-label={words.whole}>
      <h2>{words.whole}</h2>
      <Muted>{words.holds}</Muted>
      <Row>
        <ButtonAnchor href="/api/archive">{words.take}</ButtonAnchor>
        <Button isDisabled={put.isPending} onPress={() => file.current?.click()}>
          {put.isPending ? words.bringing : words.bring}
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
        <Muted>{words.never}</Muted>
      </Row>
      {put.data ? <Report told={put.data} /> : null}
      {put.error ? <Fault role="alert">{put.error.message}</Fault> : null}
    </Sheet>
  )
}

function Report({ told: { added, same, clashed, refused, renumbered } }: { told: Told }) {
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
      {refused.length > 0 ? (
        <>
          <p>{words.refused(refused.length)}</p>
          <ul>
            {refused.map(({ file, why }) => (
              <li key={file}>{`${file}: ${why}`}</li>
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
