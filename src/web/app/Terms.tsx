import { useState } from 'react'
import styled from 'styled-components'
import { glossary, termsIn } from '../../words/glossary'
import { appWords } from '../../words/page/app'
import { Button } from '../parts/controls'
import { type Opened, ReadingSheet } from './Sheet'

const List = styled.dl`
  &&& { display: block; } dt { font-weight: 700; } dd { margin: 2px 0 14px; }
`

/** What the screen behind the dialog says: read when it is opened, so that its own terms come first. */
const onScreen = (): string => {
  const main = document.querySelector<HTMLElement>('main') ?? document.body
  const fields = [...main.querySelectorAll('[aria-label]')].map((one) => one.getAttribute('aria-label'))
  return [main.innerText ?? main.textContent, ...fields].join('\n')
}

function Meanings({ of }: { of: readonly { term: string; means: string }[] }) {
  return (
    <List>
      {of.map(({ term, means }) => (
        <div key={term}>
          <dt>{term}</dt>
          <dd>{means}</dd>
        </div>
      ))}
    </List>
  )
}

/** What the terms on this screen mean, and all others behind them. */
export function Terms(opened: Opened) {
  const [here] = useState(() => termsIn(onScreen()))
  const [all, showAll] = useState(here.length === 0)
  return (
    <ReadingSheet {...opened} title={appWords.termsOnThisScreen}>
      <Meanings of={all ? glossary : here} />
      {all ? null : (
        <Button look="quiet" onPress={() => showAll(true)}>
          {appWords.allTerms(glossary.length)}
        </Button>
      )}{' '}
    </ReadingSheet>
  )
}
