import { useQueryClient } from '@tanstack/react-query'
import { BookOpen, CloudOff, Moon, Search, Sun, SunMoon } from 'lucide-react'
import { type ReactNode, useEffect, useLayoutEffect, useState, useSyncExternalStore } from 'react'
import { Link, Outlet } from 'react-router'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { findWords } from '../../words/page/find'
import { useShut } from '../accounts/entry'
import { Me } from '../accounts/Me'
import { isReached, onReach } from '../api/reach'
import { useSite } from '../api/signing'
import { isFindShown, showFind, typeEarly, useFindShown } from '../find/opened'
import { useChanges } from '../notebook/useChanges'
import { Button, Choices } from '../parts/controls'
import { usePastedBlocks } from '../parts/pasted'
import { keepSynced } from '../tablet/sync'
import { isShortcut, typing, useFocus } from './focus'
import { lazyAfterPaint } from './lazyAfterPaint'
import { MainNav } from './MainNav'
import { part } from './part'
import { useScroll } from './scroll'
import { changeSettings, type Settings, useSettings, useSiteUnit } from './settings'
import { narrow, phone } from './style'

/** Fetched when it is first asked for. */
const Shortcuts = part(async () => (await import('./Shortcuts')).Shortcuts)

/** What installs the page on this tablet comes after what the page shows. */
const Update = lazyAfterPaint(async () => (await import('./Update')).Update, 4000)

const Terms = part(async () => (await import('./Terms')).Terms)

const SignIn = part(async () => (await import('../accounts/SignIn')).SignIn)

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
  display: flex; flex-wrap: wrap; align-items: center; gap: 0 12px; padding: 3px 20px; border-bottom: 1px solid var(--rule);
  @media (min-width: 900px) { display: grid; grid-template-columns: minmax(0, 1fr) auto; }
  ${narrow} { padding: 3px 12px; gap: 0 4px; button, a { padding-left: 10px; padding-right: 10px; } }
  ${phone} { column-gap: 0; }
`
const Crumbs = styled.nav`
  display: flex; align-items: center; gap: 10px; flex: 1; min-width: 0; min-height: 44px;
  ${narrow} { flex: 1 1 auto; max-width: 380px; order: 1; } ${phone} { flex: 0 1 auto; max-width: none; width: calc(100% - 178px); order: 0; overflow: hidden; gap: 6px; a { flex-shrink: 1; } b { flex-shrink: 3; } }
  a { text-decoration: none; color: var(--muted); white-space: nowrap; padding: 11px 0; min-height: 44px; min-width: 44px; overflow: hidden; text-overflow: ellipsis; flex-shrink: 3; } a:hover { color: var(--ink); text-decoration: underline; }
  b { min-width: 40px; white-space: nowrap; overflow: hidden; text-overflow: ellipsis; } i { color: var(--rule); }
`
/** On a phone two rows: where one is, whether it is saved and the theme; below them what acts. */
const onPhone = `
  ${phone} {
    display: contents; > * { order: 3; } > [role='status'] { order: 1; min-width: 0; } > [data-last] { order: 2; }
    [role='radiogroup'] label { padding: 0 9px; }
  }
`
const Tools = styled.div`display: flex; align-items: center; gap: 8px; margin-left: auto; [role='radiogroup'] { padding: 0; } ${narrow} { gap: 0; order: 2; } ${onPhone}`
/** On a narrow page it is in the menu of the screens. */
const InBar = styled.span`display: contents; ${narrow} { display: none; }`
/** What acts on this screen, beside its name in a row of its own. */
const Acts = styled.div`
  display: flex; align-items: center; justify-content: flex-end; gap: 8px; flex-wrap: wrap;
  &:nth-child(3) { grid-column: 2; } ${narrow} { gap: 0; order: 3; } ${onPhone}
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
  const [terms, setTerms] = useState(false)
  useSiteUnit(useSite().data?.unit)
  const { next, icon, label } = schemes[scheme]
  const title = [...crumbs.map(({ text }) => text).reverse(), appWords.vanePeg]
  return (
    <Bar>
      <title>{[...(step ? [step] : []), ...(crumbs.length > 0 ? [] : [appWords.jobs]), ...title].join(' · ')}</title>
      <MainNav showTerms={() => setTerms(true)} />
      <Tools>
        <Offline />
        <Button look="quiet" aria-label={findWords.find} onPress={() => showFind(true)}>
          <Search size={18} />
        </Button>
        <InBar>
          <Button look="quiet" aria-label={appWords.terms} onPress={() => setTerms(true)}>
            <BookOpen size={18} />
          </Button>
        </InBar>
        {terms ? <Terms isOpen onOpenChange={setTerms} /> : null}
        <Choices
          label={appWords.units}
          value={unit}
          options={[
            { value: 'mm', text: appWords.mm },
            { value: 'mil', text: appWords.mil },
          ]}
          onChange={(value) => changeSettings({ unit: value })}
        />
        <Me />
        <Button look="quiet" aria-label={label} data-last onPress={() => changeSettings({ scheme: next })}>
          {icon}
        </Button>
      </Tools>
      {crumbs.some(({ to }) => to) ? (
        <Crumbs aria-label={appWords.breadcrumbs}>
          {crumbs.map(({ to, text }, i) => [
            i > 0 ? (
              <i key={`${text}/`} aria-hidden="true">
                /
              </i>
            ) : null,
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
      ) : null}
      {children ? <Acts>{children}</Acts> : null}
    </Bar>
  )
}
