import { Menu } from 'lucide-react'
import { useState } from 'react'
import { Link, NavLink } from 'react-router'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { useDoor } from '../accounts/useDoor'
import { Button } from '../parts/controls'
import { narrow } from './style'

const Bar = styled.nav`
  display: flex; align-items: center; gap: 4px; position: relative;
  > button { display: none; }
  > a:first-child { display: inline-flex; align-items: center; padding: 8px 10px 8px 0; min-height: 44px; }
  ul { display: flex; list-style: none; margin: 0; padding: 0; }
  li a { display: inline-flex; align-items: center; min-height: 44px; padding: 0 10px; white-space: nowrap; text-decoration: none; color: var(--muted); border-bottom: 2px solid transparent; }
  li[data-menu] { display: none; } li a:hover { color: var(--ink); text-decoration: underline; }
  li a[aria-current] { color: var(--ink); font-weight: 600; border-bottom-color: var(--kelp); }
  ${narrow} {
    > button { display: inline-flex; } > a:first-child { display: none; }
    ul { display: none; position: absolute; top: 100%; left: 0; z-index: 6; background: var(--card); border: 1px solid var(--rule); border-radius: 4px; box-shadow: 0 6px 24px rgb(0 0 0 / 18%); min-width: 200px; }
    ul[data-open] { display: grid; } li[data-menu] { display: block; } li a { width: 100%; padding: 0 16px; border-bottom: 1px solid var(--rule); }
  }
`

const screens = [
  { to: '/', name: appWords.jobs },
  { to: '/lines', name: appWords.lines },
  { to: '/site', name: appWords.site },
  { to: '/kit', name: appWords.kit },
  { to: '/practice', name: appWords.practice },
] as const

/** The screens, the same on every one; on a narrow page behind one button. */
export function MainNav({ showTerms }: { showTerms: () => void }) {
  const [open, setOpen] = useState(false)
  const door = useDoor()
  // accounts are an administrator's, or anybody's where there are none yet
  const accounts = door && (!door.door || door.person?.role === 'administrator')
  const all = accounts ? [...screens, { to: '/accounts', name: appWords.accounts }] : screens
  return (
    <Bar
      aria-label={appWords.screens}
      onKeyDown={(event) => {
        if (event.key === 'Escape') setOpen(false)
      }}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false)
      }}
    >
      <Link to="/" aria-label={appWords.vanePeg}>
        <svg width="20" height="22" viewBox="0 0 20 22" aria-hidden="true">
          <path d="M4 20V3h11l-4 4 4 4H4" fill="none" stroke="var(--kelp)" strokeWidth="2.4" strokeLinejoin="round" />
          <circle cx="4" cy="19.5" r="2.2" fill="var(--kelp)" />
        </svg>
      </Link>
      <Button look="quiet" aria-label={appWords.screens} aria-expanded={open} onPress={() => setOpen(!open)}>
        <Menu size={20} aria-hidden="true" />
      </Button>
      <ul data-open={open || undefined}>
        {all.map(({ to, name }) => (
          <li key={to}>
            <NavLink to={to} end={to === '/'} onClick={() => setOpen(false)}>
              {name}
            </NavLink>
          </li>
        ))}
        <li data-menu>
          <Button
            look="quiet"
            onPress={() => {
              setOpen(false)
              showTerms()
            }}
          >
            {appWords.terms}
          </Button>
        </li>
      </ul>
    </Bar>
  )
}
