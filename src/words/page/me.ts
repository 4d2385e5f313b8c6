import { labels, t } from '../language'

/** What every screen says of who is signed in. */
export const meWords = labels({
  me: (name: string) => t`Account of ${name}`,
  readerOnly: 'You are signed in as a reader: you can look at this job and print it.',
})
