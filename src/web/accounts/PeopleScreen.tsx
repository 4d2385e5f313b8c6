import styled from 'styled-components'
import { doorWords as words } from '../../words/page/door'
import { Waiting } from '../app/Plain'
import { Header } from '../app/Shell'
import { narrow } from '../app/style'
import { Muted } from '../parts/controls'
import { Copies } from './Copies'
import { People } from './People'
import { Trail } from './Trail'
import { useDoor } from './useDoor'

const Page = styled.main`max-width: 1100px; margin: 0 auto; padding: 24px 20px 60px; display: grid; gap: 16px; ${narrow} { padding: 16px 12px; }
  h1 { font-size: 26px; } h2 { font-size: 17px; }`

/** Who has an account, the copies of the data, and who changed what. */
export function PeopleScreen() {
  const door = useDoor()
  if (!door) return <Waiting />
  const may = !door.door || door.person?.role === 'administrator'
  return (
    <>
      <Header crumbs={[{ text: words.people }]} />
      <Page id="bench">
        <h1>{words.people}</h1>
        {may ? null : <p>{words.onlyAdministrators}</p>}
        {door.door ? null : (
          <p>
            {words.noDoor} <Muted>{words.noDoorHint}</Muted>
          </p>
        )}
        {may && door.door ? <People /> : null}
        {may ? (
          <>
            <Copies />
            <Trail />
          </>
        ) : null}
      </Page>
    </>
  )
}
