import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { InferResponseType } from 'hono/client'
import { type FormEvent, useState } from 'react'
import styled from 'styled-components'
import { type Role, roles } from '../../core/people/roles'
import { sayDateTime } from '../../words/dates'
import { roleMeans, roleNames, doorWords as words } from '../../words/page/door'
import { answered, api } from '../api/client'
import { mono, narrow } from '../app/style'
import { Button, Card, Fault, Field, Input, Muted, Select } from '../parts/controls'

type Person = InferResponseType<typeof api.people.$get, 200>[number]

/** A code to be handed over, and to whom. */
interface Given {
  name: string
  signIn: string
  code: string
  holdsUntil: string
}

const Form = styled.form`display: grid; gap: 12px; grid-template-columns: 2fr 2fr 1fr 1.4fr auto; align-items: end; ${narrow} { grid-template-columns: 1fr; }
  > h2, > p { grid-column: 1 / -1; margin: 0; }`
const Code = styled(
  Card,
)`border: 2px solid var(--kelp); dl { display: grid; grid-template-columns: auto 1fr; gap: 4px 16px; margin: 12px 0; } dt { color: var(--muted); } dd { margin: 0; ${mono} overflow-wrap: anywhere; font-size: 17px; }`
const Acts = styled.div`display: flex; flex-wrap: wrap; gap: 8px;`
const List = styled.ul`list-style: none; margin: 0; padding: 0; border-top: 2px solid var(--ink);
  > li { padding: 12px 0; border-bottom: 1px solid var(--rule); display: grid; gap: 8px; }`
const Means = styled.dl`display: grid; grid-template-columns: auto 1fr; gap: 2px 16px; margin: 0; color: var(--muted); dt { font-weight: 600; } dd { margin: 0; }`

const roleOptions = () => roles.map((role) => ({ value: role, text: roleNames[role] }))

/** Everybody with an account: invited, changed, let in again, put away. */
export function People() {
  const client = useQueryClient()
  const { data, error } = useQuery({ queryKey: ['people'], queryFn: () => answered(api.people.$get()) })
  const [given, setGiven] = useState<Given>()
  const again = async () => {
    await Promise.all([['people'], ['trail']].map((queryKey) => client.invalidateQueries({ queryKey })))
  }
  if (error && !data) return <Fault role="alert">{error.message}</Fault>
  return (
    <>
      {given ? <HandOver given={given} onDone={() => setGiven(undefined)} /> : null}
      <Invite
        onGiven={(code) => {
          setGiven(code)
          void again()
        }}
      />
      <List aria-label={words.people}>
        {(data ?? []).map((person) => (
          <Row
            key={`${person.id} ${person.name} ${person.initials} ${person.role}`}
            person={person}
            onChanged={again}
            onGiven={setGiven}
          />
        ))}
      </List>
      <Means>
        {roles.flatMap((role) => [<dt key={role}>{roleNames[role]}</dt>, <dd key={`${role}:`}>{roleMeans[role]}</dd>])}
      </Means>
    </>
  )
}

function HandOver({ given, onDone }: { given: Given; onDone: () => void }) {
  const [copied, setCopied] = useState(false)
  return (
    <Code role="status" aria-label={words.handOver(given.name)}>
      <h2>{words.handOver(given.name)}</h2>
      <dl>
        <dt>{words.signInName}</dt>
        <dd>{given.signIn}</dd>
        <dt>{words.code}</dt>
        <dd>{given.code}</dd>
      </dl>
      <p>
        <Muted>{words.once(sayDateTime(new Date(given.holdsUntil)))}</Muted>
      </p>
      <Acts>
        <Button
          onPress={async () => {
            await navigator.clipboard.writeText(`${given.signIn}\n${given.code}`)
            setCopied(true)
          }}
        >
          {copied ? words.copiedIt : words.copyIt}
        </Button>
        <Button onPress={onDone}>{words.done}</Button>
      </Acts>
    </Code>
  )
}

function Invite({ onGiven }: { onGiven: (given: Given) => void }) {
  const empty = { name: '', signIn: '', initials: '', role: 'millwright' as Role }
  const [asked, setAsked] = useState(empty)
  const put = (change: Partial<typeof empty>) => setAsked((now) => ({ ...now, ...change }))
  const invite = useMutation({
    mutationFn: () => answered(api.people.$post({ json: asked })),
    onSuccess: ({ code, holdsUntil }) => {
      onGiven({ name: asked.name, signIn: asked.signIn.trim().toLowerCase(), code, holdsUntil })
      setAsked(empty)
    },
  })
  return (
    <Card aria-label={words.invite}>
      <Form
        onSubmit={(event: FormEvent) => {
          event.preventDefault()
          invite.mutate()
        }}
      >
        <h2>{words.invite}</h2>
        <Field label={words.name}>
          <Input maxLength={60} value={asked.name} onChange={({ target }) => put({ name: target.value })} />
        </Field>
        <Field label={words.signInName}>
          <Input
            maxLength={40}
            autoCapitalize="none"
            spellCheck={false}
            value={asked.signIn}
            onChange={({ target }) => put({ signIn: target.value })}
          />
        </Field>
        <Field label={words.initials}>
          <Input maxLength={12} value={asked.initials} onChange={({ target }) => put({ initials: target.value })} />
        </Field>
        <Field label={words.role}>
          <Select value={asked.role} options={roleOptions()} onPick={(role) => put({ role: role as Role })} />
        </Field>
        <Button
          type="submit"
          look="act"
          isDisabled={asked.name.trim() === '' || asked.signIn.trim() === '' || invite.isPending}
        >
          {words.inviteIt}
        </Button>
        {invite.error ? (
          <p>
            <Fault role="alert">{invite.error.message}</Fault>
          </p>
        ) : null}
      </Form>
    </Card>
  )
}

function stateOf({ putAwayAt, hasPassword, hasPin, initials, signedIn }: Person): string {
  if (putAwayAt) return words.isPutAway
  if (!hasPassword) return words.noPassword
  return [words.signedInOn(signedIn), ...(initials && !hasPin ? [words.withoutPin] : [])].join(', ')
}

function Row({
  person,
  onChanged,
  onGiven,
}: {
  person: Person
  onChanged: () => Promise<void>
  onGiven: (given: Given) => void
}) {
  const { id, signIn } = person
  const [asked, setAsked] = useState({ name: person.name, initials: person.initials, role: person.role })
  const put = (change: Partial<typeof asked>) => setAsked((now) => ({ ...now, ...change }))
  const change = useMutation({
    mutationFn: (putAway: boolean) => answered(api.people[':id'].$put({ param: { id }, json: { ...asked, putAway } })),
    onSuccess: onChanged,
  })
  const code = useMutation({
    mutationFn: () => answered(api.people[':id'].code.$post({ param: { id } })),
    onSuccess: (given) => onGiven({ name: person.name, signIn, ...given }),
  })
  const out = useMutation({
    mutationFn: () => answered(api.people[':id']['sign-out'].$post({ param: { id } })),
    onSuccess: onChanged,
  })
  const away = person.putAwayAt !== null
  const same = (['name', 'initials', 'role'] as const).every((key) => asked[key] === person[key])
  const fault = change.error ?? code.error ?? out.error
  const named = (what: string) => words.of(what, person.name)
  return (
    <li>
      <Form
        onSubmit={(event: FormEvent) => {
          event.preventDefault()
          change.mutate(away)
        }}
      >
        <Field label={words.name}>
          <Input
            aria-label={named(words.name)}
            maxLength={60}
            value={asked.name}
            onChange={({ target }) => put({ name: target.value })}
          />
        </Field>
        <div>
          <Muted>{signIn}</Muted>
          <br />
          {stateOf(person)}
        </div>
        <Field label={words.initials}>
          <Input
            aria-label={named(words.initials)}
            maxLength={12}
            value={asked.initials}
            onChange={({ target }) => put({ initials: target.value })}
          />
        </Field>
        <Field label={words.role}>
          <Select
            aria-label={named(words.role)}
            value={asked.role}
            options={roleOptions()}
            onPick={(role) => put({ role: role as Role })}
          />
        </Field>
        <Button type="submit" aria-label={named(words.save)} isDisabled={same || change.isPending}>
          {words.save}
        </Button>
      </Form>
      <Acts>
        {away ? null : (
          <>
            <Button look="quiet" aria-label={named(words.newCode)} onPress={() => code.mutate()}>
              {words.newCode}
            </Button>
            <Button
              look="quiet"
              aria-label={named(words.signOutThem)}
              isDisabled={person.signedIn === 0}
              onPress={() => out.mutate()}
            >
              {words.signOutThem}
            </Button>
          </>
        )}
        <Button
          look="quiet"
          aria-label={named(away ? words.bringBack : words.putAway)}
          onPress={() => change.mutate(!away)}
        >
          {away ? words.bringBack : words.putAway}
        </Button>
      </Acts>
      {fault ? <Fault role="alert">{fault.message}</Fault> : null}
    </li>
  )
}
