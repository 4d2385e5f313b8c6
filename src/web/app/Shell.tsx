import { useQueryClient } from '@tanstack/react-query'
import { CloudOff, Moon, Search, Sun, SunMoon } from 'lucide-react'
import { type ReactNode, useEffect, useLayoutEffect, useState, useSyncExternalStore } from 'react'
import { Link, Outlet } from 'react-router'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { findWords } from '../../words/page/find'
import { isReached, onReach } from '../api/reach'
import { useSite } from '../api/signing'
import { useShut } from '../door/entry'
import { Me } from '../door/Me'
import { isFindShown, showFind, typeEarly, useFindShown } from '../find/opened'
import { useChanges } from '../notebook/useChanges'
import { Button, Choices } from '../parts/controls'
import { usePastedBlocks } from '../parts/pasted'
import { keepSynced } from '../tablet/sync'
import { isShortcut, typing, useFocus } from './focus'
import { later } from './later'
import { part } from './part'
import { useScroll } from './scroll'
import { changeSettings, type Settings, useSettings, useSiteUnit } from './settings'
import { narrow, phone } from './style'

/** Fetched when it is first asked for. */
const Shortcuts = part(async () => (await import('./Shortcuts')).Shortcuts)

/** What installs the page on this tablet comes after what the page shows. */
const Update = later(async () => (await import('./Update')).Update, 4000)

const SignIn = part(async () => (await import('../door/SignIn')).SignIn)

const FindDialog = part(async () => (await import('../find/FindDialog')).FindDialog)

const NoPlace = styled.div`position: fixed; left: 50%; bottom: 20px; transform: translateX(-50%); z-index: 8; display: flex; gap: 12px; align-items: center; padding: 8px 16px; background: var(--card); border: 2px solid var(--unsure); border-radius: 4px; font-weight: 600;`
const Skip = styled.a`
  position: absolute; left: -9999px; &:focus { left: 8px; top: 8px; z-index: 9; background: var(--card); padding: 8px; }
`

/** What stands round every screen; where nobody is signed in who has to be, the door. */
export function Shell() {
  const shut = useShut()
  return shut ? <SignIn /> : <Inside />
}

function Inside() {
  const [help, setHelp] = useState(false)
  const finding = useFindShown()
  useFocus()
  useScroll()
  useChanges()
  const noPlace = usePastedBlocks()
  const client = useQueryClient()
  useEffect(() => keepSynced(client), [client])
  useLayoutEffect(() => {
    const open = (event: KeyboardEvent) => {
      if (event.key === '?' && isShortcut(event)) setHelp(true)
      // what is typed while the search is on its way is looked for; once its field has the keyboard, that is told by the focus: a key is
      // sent on from there to the list below it
      const plain = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey
      if (plain && isFindShown() && !typing({ target: document.activeElement, key: event.key })) {
        event.preventDefault()
        typeEarly(event.key)
      }
      if (event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey) {
        event.preventDefault()
        showFind(true)
      }
    }
    window.addEventListener('keydown', open)
    return () => window.removeEventListener('keydown', open)
  }, [])
  return (
    <>
      <Skip href="#bench">{appWords.skipToContent}</Skip>
      <Update />
      {noPlace.count > 0 ? (
        <NoPlace role="alert">
          {appWords.noPlaceFor(noPlace.count)}{' '}
          <Button look="quiet" onPress={noPlace.seen}>
            {appWords.ok}
          </Button>
        </NoPlace>
      ) : null}
      <Outlet />
      {finding ? <FindDialog isOpen onOpenChange={showFind} showShortcuts={() => setHelp(true)} /> : null}
      {help ? <Shortcuts isOpen onOpenChange={setHelp} /> : null}
    </>
  )
}

const Bar = styled.header`
  display: flex; align-items: center; gap: 12px; min-height: 52px; padding: 3px 20px; border-bottom: 1px solid var(--rule);
  ${narrow} { flex-wrap: wrap; padding: 3px 12px; gap: 0 4px; button, a { padding-left: 10px; padding-right: 10px; } }
  ${phone} { column-gap: 0; }
`
const Crumbs = styled.nav`
  display: flex; align-items: center; gap: 10px; flex: 1; min-width: 0;
  ${phone} { flex-basis: auto; max-width: calc(100% - 130px); overflow: hidden; gap: 6px; a:first-child:not(:only-child) span { display: none; } }
  a { text-decoration: none; color: var(--muted); white-space: nowrap; padding: 11px 0; min-height: 44px; min-width: 44px; overflow: hidden; text-overflow: ellipsis; flex-shrink: 3; } a:hover { color: var(--ink); text-decoration: underline; }
  a:first-child { display: inline-flex; align-items: center; gap: 12px; flex-shrink: 0; }
  b { min-width: 40px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; } i { color: var(--rule); }
`
/** On a phone two lines: where one is, whether it is kept and the light; below them what acts. */
const Tools = styled.div`
  display: flex; align-items: center; gap: 8px; flex-wrap: wrap;
  [role='radiogroup'] { padding: 0; }
  ${narrow} { gap: 0; }
  ${phone} {
    display: contents; > * { order: 3; } > [role='status'] { order: 1; min-width: 0; } > :last-child { order: 2; }
    [role='radiogroup'] label { padding: 0 9px; }
  }
`

const schemes: Record<Settings['scheme'], { next: Settings['scheme']; icon: ReactNode; label: string }> = {
  system: { next: 'light', icon: <SunMoon size={18} />, label: appWords.themeSystemSwitchToLight },
  light: { next: 'dark', icon: <Sun size={18} />, label: appWords.themeLightSwitchToDark },
  dark: { next: 'system', icon: <Moon size={18} />, label: appWords.themeDarkSwitchToSystem },
}

const Away = styled.span`display: inline-flex; align-items: center; gap: 6px; font-weight: 600; white-space: nowrap;`

/** Says that the server is not reached, and what that means. */
function Offline() {
  const reached = useSyncExternalStore(onReach, isReached)
  const away = reached === false
  // it is there before it has something to say: only then is it heard
  return (
    <Away role="status" {...(away ? { title: appWords.offlineLong } : {})}>
      {away ? (
        <>
          <CloudOff size={18} aria-hidden="true" /> {appWords.offline}
        </>
      ) : null}
    </Away>
  )
}

/** The line at the top: where one is, the units, and whatever else the screen puts there. */
export function Header({
  crumbs,
  step,
  children,
}: {
  crumbs: readonly { to?: string; text: string }[]
  /** The step of the job, named first in the document's title. */
  step?: string | undefined
  children?: ReactNode
}) {
  const { unit, scheme } = useSettings()
  useSiteUnit(useSite().data?.unit)
  const { next, icon, label } = schemes[scheme]
  const title = [...crumbs.map(({ text }) => text).reverse(), appWords.vanePeg]
  return (
    <Bar>
      <title>{[...(step ? [step] : []), ...(crumbs.length > 0 ? [] : [appWords.floor]), ...title].join(' · ')}</title>
      <Crumbs aria-label={appWords.breadcrumbs}>
        <Link to="/" aria-label={appWords.floor}>
          <svg width="20" height="22" viewBox="0 0 20 22" aria-hidden="true">
            <path d="M4 20V3h11l-4 4 4 4H4" fill="none" stroke="var(--kelp)" strokeWidth="2.4" strokeLinejoin="round" />
            <circle cx="4" cy="19.5" r="2.2" fill="var(--kelp)" />
          </svg>
          <span>{appWords.floor}</span>
        </Link>
        {crumbs.map(({ to, text }) => [
          <i key={`${text}/`} aria-hidden="true">
            /
          </i>,
          to ? (
            <Link key={text} to={to}>
              {text}
            </Link>
          ) : (
            <b key={text} aria-current="page">
              {text}
            </b>
          ),
        ])}
      </Crumbs>
      <Tools>
        <Offline />
        <Button look="quiet" aria-label={findWords.find} onPress={() => showFind(true)}>
          <Search size={18} />
        </Button>
        <Choices
          label={appWords.units}
          value={unit}
          options={[
            { value: 'mm', text: appWords.mm },
            { value: 'mil', text: appWords.mil },
          ]}
          onChange={(value) => changeSettings({ unit: value })}
        />
        {children}
        <Me />
        <Button look="quiet" aria-label={label} onPress={() => changeSettings({ scheme: next })}>
          {icon}
        </Button>
      </Tools>
    </Bar>
  )
}
