import { useState } from 'react'
import styled from 'styled-components'
import type { Finding } from '../../core/advice/findings'
import { say } from '../../words/findings'
import type { Terms } from '../../words/terms'
import { mono, narrow } from '../app/style'
import { Button } from '../parts/controls'
import { Peg } from '../parts/Peg'

/** A button under a sentence. */
export interface Act {
  text: string
  main?: boolean
  run: () => void
}

const Column = styled.aside`
  background: var(--card); padding: 20px; display: grid; gap: 20px; align-content: start; border-left: 1px solid var(--rule);
  ${narrow} { border-left: 0; border-top: 2px solid var(--kelp); position: sticky; bottom: 0; max-height: 55vh; overflow: auto; padding: 12px 16px; gap: 14px; }
  h2 { position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); }
`
const Item = styled.article`
  display: grid; grid-template-columns: 18px 1fr; gap: 4px 12px; > svg { margin-top: 4px; }
  h3 { font-size: 16.5px; line-height: 1.32; font-weight: 650; } p { color: var(--muted); font-size: 14px; margin-top: 2px; }
  footer { display: flex; flex-wrap: wrap; gap: 8px; margin-top: 8px; }
  ol { ${mono} font-size: 12.5px; margin: 8px 0 0; padding: 10px 12px; border-left: 2px solid var(--rule); background: var(--paper); list-style: none; display: grid; gap: 6px; }
`
const Toggle = styled(
  Button,
)`display: none !important; ${narrow} { display: inline-flex !important; justify-self: start; }`

/** What it means and what to do next: sentences, most urgent first, each with its peg, its working and its acts. */
export function Say(props: { findings: readonly Finding[]; terms: Terms; actsFor: (finding: Finding) => Act[] }) {
  const [open, setOpen] = useState(false)
  return (
    <Column aria-label="What it means and what to do next" data-open={open}>
      <h2>What it means</h2>
      <Drawer $open={open}>
        {props.findings.map((finding) => (
          <Sentence key={keyOf(finding)} finding={finding} terms={props.terms} acts={props.actsFor(finding)} />
        ))}
      </Drawer>
      {props.findings.length > 1 ? (
        <Toggle onPress={() => setOpen(!open)}>{open ? 'Less' : `${props.findings.length - 1} more to say`}</Toggle>
      ) : null}
    </Column>
  )
}

const Drawer = styled.div<{ $open: boolean }>`
  display: grid; gap: 20px;
  ${narrow} {
    gap: 14px;
    ${({ $open }) => ($open ? '' : '> :nth-child(n + 2), p, .working { display: none; }')}
  }
`

/** The same finding stays the same sentence while its numbers change. */
function keyOf(finding: Finding): string {
  const parts: string[] = [finding.kind]
  if ('dial' in finding) parts.push(finding.dial.dial.id)
  if ('angleId' in finding) parts.push(finding.angleId)
  if ('coupling' in finding) parts.push(finding.coupling)
  if ('plane' in finding) parts.push(finding.plane)
  if ('machine' in finding) parts.push(finding.machine)
  if ('fault' in finding) parts.push(finding.fault.of)
  if ('doubt' in finding) parts.push(finding.doubt.of, finding.doubt.kind)
  return parts.join(':')
}

function Sentence({ finding, terms, acts }: { finding: Finding; terms: Terms; acts: Act[] }) {
  const [shown, setShown] = useState(false)
  const { title, detail, working } = say(finding, terms)
  return (
    <Item>
      <Peg peg={finding.peg} />
      <div>
        <h3>{title}</h3>
        {detail ? <p>{detail}</p> : null}
        {acts.length || working ? (
          <footer>
            {acts.map((act) => (
              <Button key={act.text} look={act.main ? 'act' : 'plain'} onPress={act.run}>
                {act.text}
              </Button>
            ))}
            {working ? (
              <Button className="working" aria-expanded={shown} onPress={() => setShown(!shown)}>
                {shown ? 'Hide the working' : 'Show the working'}
              </Button>
            ) : null}
          </footer>
        ) : null}
        {shown && working ? (
          <ol>
            {working.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
        ) : null}
      </div>
    </Item>
  )
}
