import { useMutation, useQueryClient } from '@tanstack/react-query'
import { type FormEvent, useState } from 'react'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { doorWords as words } from '../../words/page/door'
import { answered, api } from '../api/client'
import { outbox } from '../notebook/shelves'
import { Button, Card, Fault, Field, Input, Muted } from '../parts/controls'
import { markSignedIn } from './entry'

const Page = styled.main`max-width: 440px; margin: 10vh auto 40px; padding: 0 16px; display: grid; gap: 20px; h1 { font-size: 26px; display: flex; gap: 14px; align-items: center; }`
const Form = styled.form`display: grid; gap: 14px; h2 { font-size: 17px; } > button { justify-self: start; }`

/** What is asked of whoever comes to a site on a network. What was typed before is in the drawer and comes back. */
export function SignIn() {
  const [withCode, setWithCode] = useState(false)
  const [signIn, setSignIn] = useState('')
  const [password, setPassword] = useState('')
  const [again, setAgain] = useState('')
  const [code, setCode] = useState('')
  const client = useQueryClient()
  const enter = useMutation({
    mutationFn: async () => {
      if (withCode) {
        if (password !== again) throw new Error(words.differ)
        await answered(api.door.claim.$post({ json: { signIn, code, password } }))
      }
      return answered(api.door['sign-in'].$post({ json: { signIn, password } }))
    },
    onSuccess: async () => {
      markSignedIn()
      await client.invalidateQueries()
      void outbox.wake()
    },
  })
  const missing = signIn.trim() === '' || password === '' || (withCode && (code.trim() === '' || again === ''))
  return (
    <Page id="bench">
      <title>{`${words.signIn} · ${appWords.vanePeg}`}</title>
      <h1>
        <svg width="24" height="26" viewBox="0 0 20 22" aria-hidden="true">
          <path d="M4 20V3h11l-4 4 4 4H4" fill="none" stroke="var(--kelp)" strokeWidth="2.4" strokeLinejoin="round" />
          <circle cx="4" cy="19.5" r="2.2" fill="var(--kelp)" />
        </svg>
        {appWords.vanePeg}
      </h1>
      <Card>
        <Form
          onSubmit={(event: FormEvent) => {
            event.preventDefault()
            if (!missing) enter.mutate()
          }}
        >
          <h2>{withCode ? words.choose : words.signIn}</h2>
          <Field label={words.signInName}>
            <Input
              autoComplete="username"
              autoCapitalize="none"
              spellCheck={false}
              maxLength={60}
              value={signIn}
              onChange={({ target }) => setSignIn(target.value)}
            />
          </Field>
          {withCode ? (
            <Field label={words.code}>
              <Input
                autoComplete="one-time-code"
                autoCapitalize="none"
                spellCheck={false}
                maxLength={60}
                value={code}
                onChange={({ target }) => setCode(target.value)}
              />
            </Field>
          ) : null}
          <Field label={withCode ? words.newPassword : words.password}>
            <Input
              type="password"
              autoComplete={withCode ? 'new-password' : 'current-password'}
              maxLength={128}
              value={password}
              onChange={({ target }) => setPassword(target.value)}
            />
          </Field>
          {withCode ? (
            <Field label={words.again}>
              <Input
                type="password"
                autoComplete="new-password"
                maxLength={128}
                value={again}
                onChange={({ target }) => setAgain(target.value)}
              />
            </Field>
          ) : null}
          <Button look="act" type="submit" isDisabled={missing || enter.isPending}>
            {withCode ? words.chooseAndSignIn : words.signIn}
          </Button>
          {enter.error ? <Fault role="alert">{enter.error.message}</Fault> : null}
        </Form>
      </Card>
      <div>
        <Button
          look="quiet"
          onPress={() => {
            setWithCode(!withCode)
            enter.reset()
          }}
        >
          {withCode ? words.noCode : words.haveCode}
        </Button>
      </div>
      <Muted as="p">{words.noCodeHint}</Muted>
      <Muted as="p">{words.kept}</Muted>
    </Page>
  )
}
