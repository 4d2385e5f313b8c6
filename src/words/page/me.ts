import { labels, t } from '../language'

/** What every screen says of who is signed in. */
export const meWords = labels({
  me: (name: string) => t`Account of ${name}`,
  readerOnly: 'Signed in as reader: you can view and print this job.',
})
