import { labels, t } from '../language'

/** What is said of a device on the line, whatever is read with it. */
export const deviceWords = labels({
  connect: 'Connect',
  disconnect: 'Disconnect',
  line: {
    connecting: 'Connecting',
    open: 'Connected',
    lost: 'Connection lost, reconnecting. Captured readings are kept',
    closed: 'Not connected',
  },
  indicator: 'Indicator',
  simulatedIndicator: 'Simulated: indicator',
  connection: 'Connection',
  shows: 'Shows',
  tip: (place: string) => t`Tip: ${place}`,
  nothingLeft: 'All readings taken.',
  noPlace: 'Enter the radius first.',
  nothing: 'no reading: out of travel',
  moving: 'moving',
  still: 'still',
  take: 'Capture (C)',
  takeStill: 'Capture when steady',
  takingStill: 'Capture when steady: on',
  taken: (number: string, place: string) => t`${number} captured: ${place}`,
  onceTaken:
    'The simulated tip is already in place. On a real job: set the tip there, take your hands off, then capture.',
})
