import { Link } from 'react-router'
import styled from 'styled-components'
import { practiceWords as words } from '../../words/practice'
import { Header } from '../app/Shell'
import { phone } from '../app/style'
import { Muted } from '../parts/controls'
import { groups, lessonsInOrder } from './atMachines'
import { OwnLessons } from './OwnLessons'

const Page = styled.main`max-width: 1240px; margin: 0 auto; padding: 24px 20px 60px; display: grid; gap: 14px; h1 { font-size: 26px; }`
const Groups = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 480px), 1fr)); gap: 24px 40px; h2 { font-size: 17px; margin-bottom: 8px; } ${phone} { grid-template-columns: minmax(0, 1fr); }`
const List = styled.ol`
  list-style: none; margin: 0; padding: 0; border-top: 2px solid var(--ink);
  li { border-bottom: 1px solid var(--rule); }
  a { display: grid; grid-template-columns: 32px minmax(0, 1fr); gap: 2px 10px; padding: 10px 8px; text-decoration: none; min-height: 62px; align-items: start; }
  a:hover { background: var(--card); } h3 { font-size: 16px; } small { grid-column: 2; color: var(--muted); font-size: 14px; } b { font-size: 16px; color: var(--kelp); }
`

/** The lessons, by what they are done at, numbered in the order they are learned. */
export function PracticeScreen() {
  return (
    <>
      <Header crumbs={[{ text: words.practice }]} />
      <Page id="bench">
        <h1>{words.practice}</h1>
        <Muted>{words.learn}</Muted>
        <Groups>
          {groups.map((group) => (
            <section key={group} aria-label={words.groups[group]}>
              <h2>{words.groups[group]}</h2>
              <List>
                {lessonsInOrder.map((lesson, i) =>
                  lesson.group === group ? (
                    <li key={lesson.id}>
                      <Link to={`/practice/${lesson.id}`}>
                        <b>{i + 1}</b>
                        <h3>{lesson.words.name}</h3>
                        <small>{lesson.words.topic}</small>
                      </Link>
                    </li>
                  ) : null,
                )}
              </List>
            </section>
          ))}
        </Groups>
        <OwnLessons />
      </Page>
    </>
  )
}
