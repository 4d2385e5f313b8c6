import { Link } from 'react-router'
import styled from 'styled-components'
import { practiceWords as words } from '../../words/practice'
import { Header } from '../app/Shell'
import { Muted } from '../parts/controls'
import { lessonsInOrder } from './atMachines'
import { OwnLessons } from './OwnLessons'

const Page = styled.main`max-width: 860px; margin: 0 auto; padding: 24px 20px 60px; display: grid; gap: 14px; h1 { font-size: 26px; }`
const List = styled.ol`
  list-style: none; margin: 8px 0 0; padding: 0; border-top: 2px solid var(--ink);
  li { border-bottom: 1px solid var(--rule); }
  a { display: grid; grid-template-columns: 40px minmax(0, 1fr); gap: 4px 12px; padding: 14px 8px; text-decoration: none; min-height: 72px; align-items: start; }
  a:hover { background: var(--card); } h2 { font-size: 17px; } small { grid-column: 2; color: var(--muted); font-size: 14.5px; } b { font-size: 17px; color: var(--kelp); }
`

/** The lessons there are. */
export function PracticeScreen() {
  return (
    <>
      <Header crumbs={[{ text: words.practice }]} />
      <Page id="bench">
        <h1>{words.practice}</h1>
        <Muted>{words.learn}</Muted>
        <List>
          {lessonsInOrder.map(({ id, words: { name, goal } }, i) => (
            <li key={id}>
              <Link to={`/practice/${id}`}>
                <b>{i + 1}</b>
                <h2>{name}</h2>
                <small>{goal}</small>
              </Link>
            </li>
          ))}
        </List>
        <OwnLessons />
      </Page>
    </>
  )
}
