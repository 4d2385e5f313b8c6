import { labels, t } from '../language'

/** What is said of a device on the line, whatever is read with it. */
export const deviceWords = labels({
  connect: 'Connect',
  disconnect: 'Disconnect',
  line: {
    connecting: 'Connecting',
    open: 'Connected',
    lost: 'Connection lost. Captured readings are kept; reconnecting',
    closed: 'Not connected',
  },
  indicator: 'Indicator',
  simulatedIndicator: 'Simulated: indicator',
  connection: 'Connection',
  shows: 'Shows',
  tip: (place: string) => t`Tip: ${place}`,
  nothingLeft: 'Everything is read.',
  noPlace: 'The place isn’t known yet: enter the radius first.',
  nothing: 'nothing: out of its travel',
  moving: 'moving',
  still: 'still',
  take: 'Take it (c)',
  takeStill: 'Take it when it stands still',
  takingStill: 'Taking when still: on',
  taken: (number: string, place: string) => t`${number} taken: ${place}`,
  onceTaken: 'The simulated tip is at the place named. On a real job: put the tip there, hands off, then take it.',
})
