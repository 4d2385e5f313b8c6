import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import styled from 'styled-components'
import { sayDateTime } from '../../words/dates'
import { doorWords as words } from '../../words/page/door'
import { answered, api } from '../api/client'
import { mono } from '../app/style'
import { Button, Card, Fault, Muted } from '../parts/controls'

const Sheet = styled(
  Card,
)`display: grid; gap: 10px; ul { margin: 0; padding-left: 18px; } li { padding: 2px 0; } code { ${mono} font-size: 13px; overflow-wrap: anywhere; } > button { justify-self: start; }`

const megabyte = 1024 * 1024

/** The copies that are kept beside the data, and one more now. */
export function Copies() {
  const client = useQueryClient()
  const { data } = useQuery({ queryKey: ['copies'], queryFn: () => answered(api.copies.$get()) })
  const copy = useMutation({
    mutationFn: () => answered(api.copies.$post()),
    onSuccess: () => client.invalidateQueries({ queryKey: ['copies'] }),
  })
  if (!data) return null
  return (
    <Sheet aria-label={words.copies}>
      <h2>{words.copies}</h2>
      {data.inFile ? (
        <>
          <Muted>{words.copiesHint}</Muted>
          {data.copies.length === 0 ? <p>{words.noCopies}</p> : null}
          <ul>
            {data.copies.map(({ name, bytes, at }) => (
              <li key={name}>
                {words.copyOf(sayDateTime(new Date(at)), words.megabytes((bytes / megabyte).toFixed(1)))}{' '}
                <code>{name}</code>
              </li>
            ))}
          </ul>
          <Button isDisabled={copy.isPending} onPress={() => copy.mutate()}>
            {copy.isPending ? words.copying : words.copyNow}
          </Button>
          {copy.error ? <Fault role="alert">{copy.error.message}</Fault> : null}
          <Muted>{words.restoreHint}</Muted>
        </>
      ) : (
        <p>{words.copiesElsewhere}</p>
      )}
    </Sheet>
  )
}
