import styled from 'styled-components'
import type { ProbeSetUp as Probe } from '../../../../core/shafts/schema'
import { channelsOf } from '../../../../core/shafts/typed'
import { probeWords } from '../../../../words/probes'
import { sideName, type Terms } from '../../../../words/terms'
import { setUpWords } from '../../../../words/train/page/setUp'

const Shown = styled.div`display: flex; align-items: center; gap: 10px; color: var(--muted); font-size: 14px; svg { flex: none; } p { margin: 0; } p + p { margin-top: 2px; }`

/** A head at the top of its shaft, with an arrow the way its spot goes for plus: outward, and for a second number sideways. */
function Way({ sideways, other }: { sideways: boolean; other: boolean }) {
  const up = other ? 1 : -1
  return (
    <svg width="64" height="56" viewBox="0 0 64 56" aria-hidden="true">
      <circle cx="26" cy="42" r="11" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.5" />
      <rect x="16" y="18" width="20" height="12" fill="var(--card)" stroke="var(--ink)" strokeWidth="1.5" />
      <g stroke="var(--kelp)" strokeWidth="2" fill="none">
        <path
          d={`M26 ${16 - 6 * up}V${16 + 6 * up - 2}m-4 ${-4 * up}l4 ${4 * up}l4 ${-4 * up}`}
          transform="translate(0 -5)"
        />
        {sideways ? (
          <path
            d={other ? 'M56 24H44m4 -4l-4 4l4 4' : 'M40 24H52m-4 -4l4 4l-4 4'}
            transform={other ? 'translate(-2 0)' : undefined}
          />
        ) : null}
      </g>
      <text x="34" y="12" fontSize="14" fontWeight="700" fill="var(--kelp)">
        +
      </text>
    </svg>
  )
}

/** Which way the numbers of a head count plus, drawn and in words; nothing of a dial, whose plunger says it. */
export function PlusWay({
  probe,
  channel,
  terms,
}: {
  probe: Probe
  channel?: ReturnType<typeof channelsOf>[number] | 'all'
  terms: Pick<Terms, 'line'>
}) {
  const { plus } = probeWords[probe.type]
  if (!plus) return null
  const channels = channel === 'all' ? [...new Set(channelsOf(probe).map((one) => one?.[0]))] : [channel?.[0]]
  const other = probe.counts === 'other'
  const far = sideName('far', terms)
  return (
    <Shown role="group" aria-label={setUpWords.whichWayIsPlus}>
      <Way sideways={channels.includes('t')} other={other} />
      <div>
        {channels.map((one) => {
          const what = plus(one === 't' ? 't1' : one === 'r' ? 'r1' : undefined, far)
          return <p key={one ?? ''}>{other ? setUpWords.countsPlusOther(what) : setUpWords.countsPlus(what)}</p>
        })}
      </div>
    </Shown>
  )
}
