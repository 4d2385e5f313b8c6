import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import {
  Autocomplete,
  Dialog,
  Header,
  Input,
  ListBox,
  ListBoxItem,
  ListBoxSection,
  Modal,
  ModalOverlay,
  SearchField,
} from 'react-aria-components'
import { useLocation, useNavigate } from 'react-router'
import styled from 'styled-components'
import { findWords as words } from '../../words/page/find'
import { capital, jobName } from '../../words/terms'
import { changeSettings, settings } from '../app/settings'
import { jobPath, steps } from '../job/steps'
import { inputLook } from '../parts/controls'
import { type Find, find, fitsAll } from './find'
import { hearEarly } from './opened'

const Veil = styled(
  ModalOverlay,
)`position: fixed; inset: 0; background: rgb(0 0 0 / 35%); z-index: 5; padding: 8vh 12px 12px;`
const Sheet = styled(Modal)`
  margin: 0 auto; width: min(640px, 100%); max-height: 80vh; background: var(--paper); border: 2px solid var(--ink); border-radius: 8px; overflow: hidden; display: flex;
  section { display: flex; flex-direction: column; min-height: 0; width: 100%; outline: none; }
  [role='listbox'] { overflow: auto; outline: none; padding: 4px 0 8px; }
`
const Box = styled(SearchField)`padding: 12px;`
const Text = styled(
  Input,
)`${inputLook} width: 100%; font-size: 18px; &::-webkit-search-cancel-button { display: none; }`
const Head = styled(Header)`padding: 8px 16px 2px; font-size: 13px; color: var(--muted); font-weight: 600;`
const Item = styled(ListBoxItem)`
  display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 0 14px; align-items: center; min-height: 48px; padding: 4px 16px; cursor: pointer; outline: none;
  &[data-focused] { background: var(--card); box-shadow: inset 4px 0 var(--kelp); }
  b { font-weight: 600; } small { color: var(--muted); font-size: 13.5px; } mark { background: none; color: inherit; font-weight: 700; text-decoration: underline; }
  > span:first-child { display: grid; overflow-wrap: anywhere; }
`
const Message = styled.p`padding: 4px 16px 12px; margin: 0; color: var(--muted);`

interface Act {
  id: string
  text: string
  act: () => void
}

/** Everything that can be gone to or done from here. */
function useActs(close: () => void, showShortcuts: () => void): readonly Act[] {
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const to = (address: string) => () => navigate(address)
  const job = /^\/jobs\/([^/]+)/.exec(pathname)?.[1]
  const stepActs = job
    ? steps.map(({ step, name }) => ({ id: step, text: words.step(name), act: to(jobPath(job, step)) }))
    : []
  const { unit, scheme } = settings()
  const acts: readonly Act[] = [
    ...stepActs,
    { id: 'new', text: words.newJob, act: to('/new') },
    { id: 'floor', text: words.floor, act: to('/?state=in-hand') },
    { id: 'due', text: words.due, act: to('/?state=due') },
    { id: 'signed', text: words.signed, act: to('/?state=signed') },
    { id: 'lines', text: words.lines, act: to('/lines') },
    { id: 'site', text: words.site, act: to('/site') },
    { id: 'kit', text: words.kitScreen, act: to('/kit') },
    { id: 'tags', text: words.tags, act: () => window.open('/api/tags/lines.pdf', '_blank', 'noreferrer') },
    unit === 'mm'
      ? { id: 'unit', text: words.mil, act: () => changeSettings({ unit: 'mil' }) }
      : { id: 'unit', text: words.mm, act: () => changeSettings({ unit: 'mm' }) },
    scheme === 'dark'
      ? { id: 'scheme', text: words.light, act: () => changeSettings({ scheme: 'light' }) }
      : { id: 'scheme', text: words.dark, act: () => changeSettings({ scheme: 'dark' }) },
    { id: 'pad', text: words.pad, act: () => changeSettings({ pad: !settings().pad }) },
    { id: 'shortcuts', text: words.shortcuts, act: showShortcuts },
  ]
  return acts.map((one) => ({
    ...one,
    act: () => {
      close()
      one.act()
    },
  }))
}

/** Whether something that was found before the last letter still is what is asked for. */
const stillFits = ({ name, place, title, said, number }: Find, text: string): boolean =>
  fitsAll(text, [name, place, title ?? '', said, jobName(number ?? 0)])

const placeOf = ({ kind, id }: Find): string =>
  kind === 'job' ? `/jobs/${id}` : kind === 'line' ? `/lines/${id}` : `/kit?item=${id}`

/** Everything there is, found as it is typed; and what can be done. */
export function FindDialog({
  isOpen,
  onOpenChange,
  showShortcuts,
}: {
  isOpen: boolean
  onOpenChange: (open: boolean) => void
  showShortcuts: () => void
}) {
  const [text, setText] = useState('')
  useEffect(() => {
    hearEarly(document.querySelector<HTMLInputElement>('[role="dialog"] input'))
    return () => hearEarly(null)
  }, [])
  const navigate = useNavigate()
  const close = () => onOpenChange(false)
  const acts = useActs(close, showShortcuts).filter((act) => text.trim() === '' || fitsAll(text, [act.text]))
  const asked = text.trim()
  const { data, isPlaceholderData: earlier } = useQuery({
    queryKey: ['find', asked],
    queryFn: () => find(asked),
    enabled: asked !== '',
    placeholderData: (before) => before,
    gcTime: 60_000,
  })
  const finds = asked === '' ? [] : (data?.finds ?? [])
  const [chosen, choose] = useState(false)
  const go = (key: string) => {
    const act = acts.find(({ id }) => `act ${id}` === key)
    if (act) return act.act()
    const [how, kind, id] = key.split(' ')
    const found = finds.find((one) => one.kind === kind && one.id === id)
    // shown from before the last letter, and no longer what is asked for: what the answer has first is opened, once it is there
    if (earlier && found && !stillFits(found, text)) return choose(true)
    close()
    if (how === 'logbook') navigate(`/lines/${id}/logbook`)
    else if (how === 'begin') navigate(`/new?line=${id}`)
    else if (found) navigate(placeOf(found))
  }
  useEffect(() => {
    if (!chosen || earlier) return
    choose(false)
    const [find] = finds
    const [act] = acts
    if (find) go(`open ${find.kind} ${find.id}`)
    else if (act) act.act()
  })
  return (
    <Veil isOpen={isOpen} onOpenChange={onOpenChange} isDismissable>
      <Sheet>
        <Dialog aria-label={words.find}>
          <Autocomplete inputValue={text} onInputChange={setText} disableAutoFocusFirst={false}>
            <Box aria-label={words.find} autoFocus>
              <Text placeholder={words.hint} maxLength={120} />
            </Box>
            {data?.here && asked !== '' ? <Message role="status">{words.offline}</Message> : null}
            <ListBox
              aria-label={words.find}
              selectionMode="none"
              onAction={(key) => go(String(key))}
              renderEmptyState={() => (asked === '' ? null : <Message>{words.nothing(asked)}</Message>)}
            >
              {finds.length > 0 ? (
                <ListBoxSection>
                  <Head>{words.found}</Head>
                  {finds.flatMap((one) => rowsOf(one))}
                </ListBoxSection>
              ) : null}
              {acts.length > 0 ? (
                <ListBoxSection>
                  <Head>{words.acts}</Head>
                  {acts.map(({ id, text: does }) => (
                    <Item key={id} id={`act ${id}`} textValue={does}>
                      <span>{does}</span>
                    </Item>
                  ))}
                </ListBoxSection>
              ) : null}
            </ListBox>
          </Autocomplete>
        </Dialog>
      </Sheet>
    </Veil>
  )
}

/** What was meant of what was found. */
function Meant({ said }: { said: string }) {
  if (!said.includes('[')) return null
  return (
    <small>
      {said.split(/(\[[^\]]*\])/).map((part, i) =>
        // biome-ignore lint/suspicious/noArrayIndexKey: parts of one text, in their order
        part.startsWith('[') ? <mark key={i}>{part.slice(1, -1)}</mark> : part,
      )}
    </small>
  )
}

/** A row for what was found; a line has rows for its logbook and a new job too. */
function rowsOf(one: Find) {
  const { kind, id, name, place, number, title, said } = one
  const what = kind === 'job' ? [jobName(number ?? 0), title].filter(Boolean).join(', ') : words[kind]
  const more =
    kind === 'line'
      ? [
          { key: `logbook line ${id}`, text: words.logbook(name) },
          { key: `begin line ${id}`, text: words.newJobOn(name) },
        ]
      : []
  return [
    <Item key={`${kind} ${id}`} id={`open ${kind} ${id}`} textValue={name}>
      <span>
        <b>{name}</b>
        <Meant said={said} />
      </span>
      <small>{[kind === 'job' ? what : capital(what), place].filter(Boolean).join(' · ')}</small>
    </Item>,
    ...more.map(({ key, text }) => (
      <Item key={key} id={key} textValue={text}>
        <span>{text}</span>
      </Item>
    )),
  ]
}
