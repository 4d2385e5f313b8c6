import { TabletSmartphone } from 'lucide-react'
import styled from 'styled-components'
import { formatNumber } from '../../core/quantity/number'
import { tabletWords as words } from '../../words/page/tablet'
import { Fault, Muted } from '../parts/controls'
import { Peg } from '../parts/Peg'
import { useTablet } from './useTablet'

const Fold = styled.details`
  margin-top: 24px; border-top: 1px solid var(--rule); padding: 4px 8px;
  summary { display: flex; flex-wrap: wrap; gap: 4px 10px; align-items: center; min-height: 44px; cursor: pointer; font-weight: 600; }
  summary::-webkit-details-marker { display: none; }
  summary span:last-child { font-weight: 400; }
  p { margin: 4px 0; max-width: 70ch; }
`
const size = (bytes: number) =>
  bytes < 1e9 ? words.mb(formatNumber(bytes / 1e6, bytes < 1e7 ? 1 : 0)) : words.gb(formatNumber(bytes / 1e9, 0))

/** What is on this tablet and what waits to be sent; how full it is, and what the browser promises. */
export function TabletPanel() {
  const { here, fault } = useTablet()
  if (!here) return null
  const { taken, jobs, made, pictures, changed, page, space, kept } = here
  const waiting = [
    ...(changed > 0 ? [words.waits(changed)] : []),
    ...(made > 0 ? [words.made(made)] : []),
    ...(pictures > 0 ? [words.pictures(pictures)] : []),
  ]
  const waits = waiting.length > 0
  return (
    <Fold>
      <summary>
        <TabletSmartphone size={18} aria-hidden="true" />
        {words.onThisTablet}
        <Peg peg={fault || waits ? 'unsure' : taken.length > 0 ? 'within' : 'nothing'} size={12} label="" />
        <span>
          {[
            taken.length > 0 ? words.lines(taken.length) : words.noneTaken.replace(/\.$/, ''),
            waits ? waiting.join(' ') : words.nothingWaits,
          ].join(' · ')}
        </span>
      </summary>
      <p>{words.why}</p>
      <p>{words.jobs(jobs)}.</p>
      <p>
        {page === 'insecure' ? words.insecure : page === 'yes' ? words.installed : words.notInstalled}{' '}
        {space?.usage !== undefined && space.quota ? words.space(size(space.usage), size(space.quota)) : null}{' '}
        <Muted>{kept ? words.kept : words.notKept}</Muted>
      </p>
      {fault ? <Fault role="alert">{words.failed(fault)}</Fault> : null}
    </Fold>
  )
}
