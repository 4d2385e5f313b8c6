import { useMutation, useQueryClient } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import styled from 'styled-components'
import { roleMeans, roleNames, doorWords as words } from '../../words/page/door'
import { answered, api } from '../api/client'
import { Waiting } from '../app/Plain'
import { Header } from '../app/Shell'
import { narrow } from '../app/style'
import { flushAll } from '../notebook/shelves'
import { ButtonLink } from '../parts/ButtonLink'
import { Button, Card, Fault, Field, Input, Muted } from '../parts/controls'
import { markSignedOut } from './entry'
import { type Own, useDoor } from './useDoor'

const Page = styled.main`max-width: 760px; margin: 0 auto; padding: 24px 20px 60px; display: grid; gap: 16px; ${narrow} { padding: 16px 12px; }
  h1 { font-size: 26px; } h2 { font-size: 17px; }`
const Form = styled.form`display: grid; gap: 12px; grid-template-columns: repeat(auto-fit, minmax(200px, 1fr)); align-items: end;
  > h2, > p { grid-column: 1 / -1; } > button { justify-self: start; }`
const Acts = styled.div`display: flex; flex-wrap: wrap; gap: 12px; align-items: center;`

/** One's own account: password, PIN, and the ways out. */
export function AccountScreen() {
  const door = useDoor()
  if (!door) return <Waiting />
  return (
    <>
      <Header crumbs={[{ text: words.account }]} />
      <Page id="bench">
        {door.person ? (
          <Account person={door.person} />
        ) : (
          <>
            <h1>{words.account}</h1>
            <p>{words.noDoor}</p>
          </>
        )}
      </Page>
    </>
  )
}

function Account({ person }: { person: Own }) {
  const client = useQueryClient()
  const leave = useMutation({
    mutationFn: async (everywhere: boolean) => {
      // whatever waits goes while it still may
      await flushAll()
      await answered(everywhere ? api.door['sign-out-everywhere'].$post() : api.door['sign-out'].$post())
    },
    onSuccess: () => {
      markSignedOut()
      client.clear()
    },
  })
  return (
    <>
      <h1>{words.signedInAs(person.name)}</h1>
      <p>
        <b>{roleNames[person.role]}.</b> {roleMeans[person.role]}
      </p>
      <Acts>
        <Button isDisabled={leave.isPending} onPress={() => leave.mutate(false)}>
          {words.signOut}
        </Button>
        {person.role === 'administrator' ? <ButtonLink to="/accounts">{words.peopleAndMore}</ButtonLink> : null}
      </Acts>
      {leave.error ? <Fault role="alert">{leave.error.message}</Fault> : null}
      <Pin person={person} />
      <Password />
      <Card style={{ display: 'grid', gap: 12, justifyItems: 'start' }}>
        <h2>{words.everywhere}</h2>
        <p>{words.everywhereHint}</p>
        <Button isDisabled={leave.isPending} onPress={() => leave.mutate(true)}>
          {words.everywhere}
        </Button>
      </Card>
    </>
  )
}

function Pin({ person }: { person: Own }) {
  const client = useQueryClient()
  const [pin, setPin] = useState('')
  const [password, setPassword] = useState('')
  const set = useMutation({
    mutationFn: () => answered(api.door.pin.$put({ json: { pin, password } })),
    onSuccess: () => {
      setPin('')
      setPassword('')
      return client.invalidateQueries({ queryKey: ['door'] })
    },
  })
  return (
    <Card aria-label={words.pin}>
      <Form
        onSubmit={(event: FormEvent) => {
          event.preventDefault()
          set.mutate()
        }}
      >
        <h2>{words.pin}</h2>
        <p>{words.pinHint}</p>
        {person.initials === '' ? (
          <p>{words.noInitials}</p>
        ) : (
          <Muted as="p">{person.hasPin ? words.hasPin : words.noPin}</Muted>
        )}
        <Field label={words.newPin}>
          <Input
            type="password"
            inputMode="numeric"
            autoComplete="off"
            maxLength={12}
            value={pin}
            onChange={({ target }) => setPin(target.value)}
          />
        </Field>
        <Field label={words.oldPassword}>
          <Input
            type="password"
            autoComplete="current-password"
            maxLength={128}
            value={password}
            onChange={({ target }) => setPassword(target.value)}
          />
        </Field>
        <Button
          look={person.hasPin ? 'plain' : 'act'}
          type="submit"
          isDisabled={pin === '' || password === '' || set.isPending}
        >
          {words.setPin}
        </Button>
        {set.isSuccess ? <p role="status">{words.pinSet}</p> : null}
        {set.error ? (
          <p>
            <Fault role="alert">{set.error.message}</Fault>
          </p>
        ) : null}
      </Form>
    </Card>
  )
}

function Password() {
  const [old, setOld] = useState('')
  const [next, setNext] = useState('')
  const [again, setAgain] = useState('')
  const change = useMutation({
    mutationFn: async () => {
      if (next !== again) throw new Error(words.differ)
      return answered(api.door.password.$put({ json: { old, next } }))
    },
    onSuccess: () => {
      setOld('')
      setNext('')
      setAgain('')
    },
  })
  const fields = [
    { label: words.oldPassword, value: old, set: setOld, complete: 'current-password' },
    { label: words.newPassword, value: next, set: setNext, complete: 'new-password' },
    { label: words.again, value: again, set: setAgain, complete: 'new-password' },
  ]
  return (
    <Card aria-label={words.changePassword}>
      <Form
        onSubmit={(event: FormEvent) => {
          event.preventDefault()
          change.mutate()
        }}
      >
        <h2>{words.changePassword}</h2>
        {fields.map(({ label, value, set, complete }) => (
          <Field key={label} label={label}>
            <Input
              type="password"
              autoComplete={complete}
              maxLength={128}
              value={value}
              onChange={({ target }) => set(target.value)}
            />
          </Field>
        ))}
        <Button type="submit" isDisabled={old === '' || next === '' || again === '' || change.isPending}>
          {words.changePassword}
        </Button>
        {change.isSuccess ? <p role="status">{words.changed}</p> : null}
        {change.error ? (
          <p>
            <Fault role="alert">{change.error.message}</Fault>
          </p>
        ) : null}
      </Form>
    </Card>
  )
}
