import { memo, useEffect, useRef } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import type { Peg as PegState } from '../../../core/verdict/peg'
import { jobWords } from '../../../words/page/job'
import { narrow } from '../../app/style'
import { Peg } from '../../parts/Peg'

/** The steps that there are, each at its own place in the order of the work. */
export const steps = [
  { path: 'ready', name: jobWords.ready, key: '1' },
  { path: 'seat', name: jobWords.seat, key: '2' },
  { path: 'read', name: jobWords.read, key: '3' },
  { path: 'move', name: jobWords.move, key: '4' },
  { path: 'prove', name: jobWords.prove, key: '5' },
  { path: 'sign', name: jobWords.sign, key: '6' },
] as const

const Rail = styled.nav`
  border-right: 1px solid var(--rule); padding-top: 36px; position: sticky; top: 0; align-self: start; min-height: 100vh; display: flex; flex-direction: column; align-items: center; gap: 8px;
  a { position: relative; width: 100%; text-decoration: none; display: grid; justify-items: center; gap: 4px; padding: 8px 0; color: var(--ink); min-height: 44px; }
  a[aria-current='page'] { color: var(--kelp); font-weight: 700; }
  small { color: var(--muted); font-weight: 400; }
  hr { width: 2px; height: 28px; border: 0; margin: 0; background: var(--ink); opacity: 0.7; }
  ${narrow} { position: static; min-height: 0; align-self: auto; flex-direction: row; padding: 0 12px; border-right: 0; border-bottom: 1px solid var(--rule); overflow-x: auto; hr { flex: none; width: 8px; height: 2px; } a { width: auto; padding: 8px 5px; grid-auto-flow: column; align-items: center; gap: 8px; } small { display: none; } }
`
const Vane = styled.svg`position: absolute; right: 6px; top: 8px; ${narrow} { display: none; }`

/** The steps as pegs on a line; a small vane points at the present one. */
export const PegRail = memo(function PegRail(
  props: Record<(typeof steps)[number]['path'], PegState> & { id: string; at: string },
) {
  const { id, at } = props
  const rail = useRef<HTMLElement>(null)
  // on a narrow screen the rail is wider than its place: the present step is brought into it
  // biome-ignore lint/correctness/useExhaustiveDependencies: again at every step
  useEffect(() => {
    const nav = rail.current
    const here = nav?.querySelector<HTMLElement>('[aria-current]')
    if (nav && here) nav.scrollLeft = here.offsetLeft - (nav.clientWidth - here.offsetWidth) / 2
  }, [at])
  return (
    <Rail ref={rail} aria-label={jobWords.steps}>
      {steps.map((step, i) => {
        const here = at.endsWith(`/${step.path}`)
        return [
          i > 0 ? <hr key={`${step.path}-line`} /> : null,
          <Link key={step.path} to={`/jobs/${id}/${step.path}`} aria-current={here ? 'page' : undefined}>
            <Peg peg={props[step.path]} size={18} />
            {step.name}
            <small aria-hidden="true">{step.key}</small>
            {here ? (
              <Vane width="20" height="16" viewBox="0 0 20 16" aria-hidden="true">
                <path d="M0 8 L20 0 L20 16 Z" fill="var(--kelp)" />
              </Vane>
            ) : null}
          </Link>,
        ]
      })}
    </Rail>
  )
})
