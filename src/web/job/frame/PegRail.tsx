import { Ruler } from 'lucide-react'
import { memo, useEffect, useRef } from 'react'
import { Link } from 'react-router'
import styled from 'styled-components'
import type { VerdictState } from '../../../core/verdict/state'
import { jobWords } from '../../../words/page/job'
import { narrow } from '../../app/style'
import { Peg } from '../../parts/Peg'
import { jobPath, type Step, steps } from '../steps'

const Rail = styled.nav`
  border-right: 1px solid var(--rule); padding-top: 10px; position: sticky; top: 0; align-self: start; min-height: 100vh; display: flex; flex-direction: column; align-items: center; gap: 6px;
  a { position: relative; width: 100%; text-decoration: none; display: grid; justify-items: center; gap: 3px; padding: 7px 0; color: var(--ink); min-height: 44px; font-size: 14px; text-align: center; line-height: 1.2; }
  a[aria-current='page'] { color: var(--kelp); font-weight: 700; }
  small { color: var(--muted); font-weight: 400; }
  hr { width: 2px; height: 14px; border: 0; margin: 0; background: var(--ink); opacity: 0.7; }
  ${narrow} { position: static; min-height: 0; align-self: auto; flex-direction: row; padding: 0 12px; border-right: 0; border-bottom: 1px solid var(--rule); overflow-x: auto; hr { flex: none; width: 8px; height: 2px; } a { width: auto; padding: 8px 5px; grid-auto-flow: column; align-items: center; gap: 8px; white-space: nowrap; } small { display: none; } }
`
const Vane = styled.svg`position: absolute; right: 6px; top: 8px; ${narrow} { display: none; }`

/** The steps as pegs on a line, those that a kind of line has; a small vane points at the present one. */
export const PegRail = memo(function PegRail({
  id,
  at,
  without,
  ...pegs
}: Record<Exclude<Step, 'line'>, VerdictState> & {
  id: string
  at: Step | undefined
  /** The step that this kind of line does not have. */
  without?: Step | undefined
}) {
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
      {steps
        .filter(({ step }) => step !== without)
        .map(({ step, name, key }, i) => [
          i > 0 ? <hr key={`${step}-line`} /> : null,
          <Link key={step} to={jobPath(id, step)} aria-current={step === at ? 'page' : undefined}>
            {step === 'line' ? <Ruler size={18} aria-hidden="true" /> : <Peg peg={pegs[step]} size={18} />}
            {name}
            <small aria-hidden="true">{key}</small>
            {step === at ? (
              <Vane width="20" height="16" viewBox="0 0 20 16" aria-hidden="true">
                <path d="M0 8 L20 0 L20 16 Z" fill="var(--kelp)" />
              </Vane>
            ) : null}
          </Link>,
        ])}
    </Rail>
  )
})
