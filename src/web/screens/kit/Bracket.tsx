import styled from 'styled-components'
import { takeSag } from '../../../core/kit/sag'
import type { KitBracket } from '../../../core/kit/schema'
import { positiveMm, quantityFrom } from '../../../core/quantity/quantity'
import { decimalsFor } from '../../../core/quantity/units'
import { lengthUnitFor } from '../../../core/quantity/usual'
import { saySag } from '../../../words/kit'
import { kitWords } from '../../../words/page/kit'
import { inText } from '../../../words/terms'
import type { StoredKit } from '../../api/client'
import { Button, Card, Muted } from '../../parts/controls'
import { Peg } from '../../parts/Peg'
import { QuantityInput } from '../../parts/Quantity'
import { DialName, Grid, NumberField, type Put, TextField } from './parts'

const WorkArea = styled.div`display: grid; grid-template-columns: minmax(320px, 430px) minmax(220px, 1fr); gap: 20px; align-items: center; @media (max-width: 1100px) { grid-template-columns: 1fr; }`
const Ring = styled.div`position: relative; height: 300px; svg { position: absolute; inset: 0; width: 100%; height: 100%; }
  .place { position: absolute; width: 104px; display: grid; gap: 2px; font-size: 13px; color: var(--muted); text-align: center; transform: translate(-50%, -50%); } input { text-align: center; font-weight: 600; font-size: 17px; }`
const Answer = styled.div`display: grid; gap: 12px; justify-items: start; p { display: flex; gap: 10px; align-items: flex-start; font-size: 16px; } svg { margin-top: 4px; flex: none; }`

const places = [
  { at: 'top', name: kitWords.top, x: 50, y: 12 },
  { at: 'far', name: kitWords.far, x: 86, y: 50 },
  { at: 'bottom', name: kitWords.bottom, x: 50, y: 88 },
  { at: 'near', name: kitWords.near, x: 14, y: 50 },
] as const

/** A bracket and its sag bench: it hangs on a straight bar, is turned round, and what it reads is its own sag. */
export function Bracket(props: {
  item: KitBracket
  unit: 'mm' | 'mil'
  put: Put
  dials: readonly string[]
  items: readonly StoredKit[]
}) {
  const { item, unit, put, dials, items } = props
  const length = lengthUnitFor(unit)
  const dial = items.find(({ document }) => document.kind === 'dial' && document.name === item.barDial)?.document
  const graduation = (dial?.kind === 'dial' ? positiveMm(dial.graduation) : undefined) ?? 0.01
  const taken = takeSag(item, graduation)
  const keep = () => {
    if (taken.sag === undefined) return
    put(
      {
        sag: quantityFrom(taken.sag, unit, decimalsFor(Math.min(graduation, 0.01), unit)),
        span: item.barSpan,
        dial: item.barDial,
        takenOn: new Date().toISOString().slice(0, 10),
      },
      'keep',
    )
  }
  return (
    <>
      <Card aria-label={kitWords.bracket}>
        <Grid>
          <TextField label={kitWords.name} value={item.name} onChange={(name) => put({ name }, 'name')} />
          <NumberField
            label={kitWords.sag}
            signed
            quantity={item.sag}
            unit={unit}
            onChange={(sag) => put({ sag }, 'sag')}
            hint={kitWords.atTheBottomZeroedAt}
          />
          <NumberField
            label={kitWords.span}
            quantity={item.span}
            unit={length}
            onChange={(span) => put({ span }, 'span')}
          />
          <DialName
            label={kitWords.dialUsed}
            value={item.dial}
            dials={dials}
            onChange={(name) => put({ dial: name }, 'dial')}
          />
          <TextField
            label={kitWords.dateTaken}
            type="date"
            value={item.takenOn}
            onChange={(takenOn) => put({ takenOn }, 'taken')}
          />
          <TextField label={kitWords.note} max={300} value={item.note} onChange={(note) => put({ note }, 'note')} />
        </Grid>
      </Card>
      <Card aria-label={kitWords.bracketSag}>
        <h2>{kitWords.bracketSag}</h2>
        <Muted>{kitWords.clampTheBracketOnA}</Muted>
        <WorkArea>
          <Ring>
            <svg viewBox="0 0 100 100" preserveAspectRatio="xMidYMid meet" aria-hidden="true">
              <circle cx="50" cy="50" r="13" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
              <circle
                cx="50"
                cy="50"
                r="24"
                fill="none"
                stroke="var(--rule)"
                strokeWidth="0.5"
                strokeDasharray="1.5 1.5"
              />
              <path d="M46 34 L54 34 L50 38 Z" fill="var(--kelp)" />
              <path d="M50 34 V26" stroke="var(--kelp)" strokeWidth="1.2" />
              <path d="M70 36 A 24 24 0 0 1 72 60" fill="none" stroke="var(--muted)" strokeWidth="0.9" />
              <path d="M70 59 L72 63 L74.4 59.4 Z" fill="var(--muted)" />
            </svg>
            {places.map(({ at, name, x, y }) => (
              <div className="place" key={at} style={{ left: `${x}%`, top: `${y}%` }}>
                <span aria-hidden="true">{name}</span>
                <QuantityInput
                  signed
                  label={kitWords.onTheBar(inText(name), unit)}
                  quantity={item.bar[at]}
                  unit={unit}
                  onChange={(value) => put({ bar: { ...item.bar, [at]: value } }, `bar-${at}`)}
                />
              </div>
            ))}
          </Ring>
          <Answer>
            <Grid style={{ width: '100%' }}>
              <NumberField
                label={kitWords.spanOnTheBar}
                quantity={item.barSpan}
                unit={length}
                onChange={(barSpan) => put({ barSpan }, 'barSpan')}
              />
              <DialName
                label={kitWords.dialUsedOnTheBar}
                value={item.barDial}
                dials={dials}
                onChange={(barDial) => put({ barDial }, 'barDial')}
              />
            </Grid>
            {saySag(taken, unit, graduation).map(({ text, peg }) => (
              <p key={text}>
                <Peg peg={peg} size={15} label="" />
                <span>{text}</span>
              </p>
            ))}
            <Button look="act" isDisabled={!taken.good} onPress={keep}>
              {kitWords.saveAsThisBracketsSag}
            </Button>
          </Answer>
        </WorkArea>
      </Card>
    </>
  )
}
