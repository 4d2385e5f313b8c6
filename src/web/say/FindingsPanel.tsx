import { memo, useCallback, useDeferredValue, useLayoutEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import type { VerdictState } from '../../core/verdict/state'
import { partsWords } from '../../words/page/parts'
import type { Message } from '../../words/said'
import { mono, narrow } from '../app/style'
import { Button } from '../parts/controls'
import { Peg as PegMark } from '../parts/Peg'

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
  strong { display: block; font-size: 14px; font-weight: 600; margin-top: 2px; }
  footer { display: flex; flex-wrap: wrap; gap: 8px; margin-top: 8px; }
  ol { ${mono} font-size: 12.5px; margin: 8px 0 0; padding: 10px 12px; border-left: 2px solid var(--rule); background: var(--paper); list-style: none; display: grid; gap: 6px; }
`
const Toggle = styled(Button)<{ $at: 'wide' | 'narrow' }>`
  justify-self: start; margin-left: 30px;
  &&& { ${({ $at }) => ($at === 'narrow' ? 'display: none;' : '')} ${narrow} { display: ${({ $at }) => ($at === 'narrow' ? 'inline-flex' : 'none')}; margin-left: 0; } }
`
/** How many sentences stand open beside the step's work, and on a narrow screen below it. */
const openAt = { wide: 3, narrow: 1 } as const

/** A sentence with its peg and its acts. */
export interface FindingItem {
  /** The same thing said keeps its key while its numbers change. */
  key: string
  peg: VerdictState
  said: Message
  acts: readonly Act[]
  /** The step's own column shows it too: it comes after what only stands here. */
  inColumn?: boolean
}

/** Most urgent first; what the column shows too comes last, and what to do next is never behind "more". */
function inOrder(items: readonly FindingItem[]): readonly FindingItem[] {
  const isNext = ({ acts }: FindingItem) => acts.some(({ main }) => main)
  const later = ({ inColumn, ...item }: FindingItem) => inColumn && !isNext({ inColumn, ...item })
  const ordered = [...items.filter((item) => !later(item)), ...items.filter(later)]
  const next = ordered.findIndex(isNext)
  if (next < openAt.wide) return ordered
  return [
    ...ordered.slice(0, openAt.wide - 1),
    ...ordered.slice(next, next + 1),
    ...ordered.slice(openAt.wide - 1, next),
    ...ordered.slice(next + 1),
  ]
}

/** What it means and what to do next: sentences, most urgent first, each with its peg, its working and its acts. */
export function FindingsPanel({ items }: { items: readonly FindingItem[] }) {
  const [open, setOpen] = useState(false)
  // the number typed and the drawing come first; what it means follows when both are painted
  const shown = useDeferredValue(items)
  const latest = useRef(items)
  useLayoutEffect(() => {
    latest.current = items
  })
  const run = useCallback((key: string, act: number) => {
    latest.current.find((item) => item.key === key)?.acts[act]?.run()
  }, [])
  return (
    <Column aria-label={partsWords.whatItMeansAndWhat} data-open={open}>
      <h2>{partsWords.whatItMeans}</h2>
      <Drawer $open={open}>
        <Sentences items={inOrder(shown)} run={run} />
      </Drawer>
      <More count={shown.length} open={open} show={setOpen} />
    </Column>
  )
}

/** The first sentences stand open, the others are behind this. */
const More = memo(({ count, open, show }: { count: number; open: boolean; show: (open: boolean) => void }) =>
  (['wide', 'narrow'] as const).map((at) =>
    count > openAt[at] ? (
      <Toggle key={at} $at={at} aria-expanded={open} onPress={() => show(!open)}>
        {open ? partsWords.less : partsWords.more(count - openAt[at])}
      </Toggle>
    ) : null,
  ),
)

const Sentences = memo(({ items, run }: { items: readonly FindingItem[]; run: SentenceProps['run'] }) =>
  items.map(({ key, peg, said, acts }, i) => (
    <Sentence key={key} id={key} peg={peg} said={said} acts={acts} first={i === 0} run={run} />
  )),
)

const Drawer = styled.div<{ $open: boolean }>`
  display: grid; gap: 20px; align-content: start;
  ${({ $open }) => ($open ? '' : `> :nth-child(n + ${openAt.wide + 1}) { display: none; }`)}
  @media (min-width: 900px) and (min-height: 700px) { position: sticky; top: 264px; max-height: calc(100vh - 284px); overflow-y: auto; margin: -6px; padding: 6px; }
  ${narrow} {
    gap: 14px;
    ${({ $open }) => ($open ? '' : `> :nth-child(n + ${openAt.narrow + 1}), p, .working { display: none; }`)}
  }
`

interface SentenceProps {
  id: string
  peg: VerdictState
  said: Message
  acts: readonly Act[]
  /** The most urgent one: its explanation stands open. */
  first: boolean
  /** Runs the act of that number of the finding as it is when pressed. */
  run: (id: string, act: number) => void
}

/** Drawn again only when its words change: most keystrokes leave most sentences as they were. */
const Sentence = memo(OneSentence, (a, b) => told(a) === told(b))

const told = ({ id, peg, said, acts, first }: SentenceProps): string =>
  [
    id,
    peg,
    first,
    said.title,
    said.detail,
    said.caution,
    ...(said.working ?? []),
    ...acts.map((act) => `${act.text}${act.main}`),
  ].join('\n')

/** A result carries a figure with its unit and stands at once; an explanation has none and can wait. */
const isResult = (detail: string) => /\d[\s\u00a0]?(?:mm|mil|in\b|°|%)/.test(detail)

function OneSentence({ id, peg, said, acts, first, run }: SentenceProps) {
  const [shown, setShown] = useState(false)
  const { title, detail, caution, working } = said
  const folded = detail !== undefined && !first && !isResult(detail)
  return (
    <Item>
      <PegMark peg={peg} />
      <div>
        <h3>{title}</h3>
        {detail && (shown || !folded) ? <p>{detail}</p> : null}
        {caution ? <strong>{caution}</strong> : null}
        {acts.length || working || folded ? (
          <Acts
            id={id}
            texts={acts.map((act) => (act.main ? `!${act.text}` : act.text)).join('|')}
            behind={working ? 'working' : folded ? 'detail' : undefined}
            shown={shown}
            show={setShown}
            run={run}
          />
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

interface ActsProps {
  id: string
  /** Texts of the acts, "|" between them, "!" before the one to do next: one string, so that it compares cheaply. */
  texts: string
  /** What a press shows. */
  behind: 'working' | 'detail' | undefined
  shown: boolean
  show: (shown: boolean) => void
  run: SentenceProps['run']
}

/** The buttons under a sentence: they stay while its numbers change. */
const Acts = memo(function Acts({ id, texts, behind, shown, show, run }: ActsProps) {
  return (
    <footer>
      {texts
        .split('|')
        .filter(Boolean)
        .map((text, i) => {
          const main = text.startsWith('!')
          return (
            <Button key={text} look={main ? 'act' : 'plain'} onPress={() => run(id, i)}>
              {main ? text.slice(1) : text}
            </Button>
          )
        })}
      {behind ? (
        <Button className="working" aria-expanded={shown} onPress={() => show(!shown)}>
          {shown ? partsWords.hide[behind] : partsWords.show[behind]}
        </Button>
      ) : null}
    </footer>
  )
})
