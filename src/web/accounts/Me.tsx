import { UserRound } from 'lucide-react'
import { meWords } from '../../words/page/me'
import { ButtonLink } from '../parts/ButtonLink'
import { useDoor } from './useDoor'

/** Who is signed in, and the way to their account; nothing where nobody has to be. */
export function Me() {
  const person = useDoor()?.person
  if (!person) return null
  return (
    <ButtonLink $look="quiet" to="/account" aria-label={meWords.me(person.name)}>
      <UserRound size={18} aria-hidden="true" /> {person.initials || person.name}
    </ButtonLink>
  )
}
