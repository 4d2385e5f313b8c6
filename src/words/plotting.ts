import type { Hub, PlotFoot, PlotSlip } from '../core/practice/plot'
import { labels, t } from './language'
import type { Message } from './said'

/** What is said in the lesson of the graph. */
export const plottingWords = labels({
  name: 'Reverse dials to a graph',
  topic: 'Two points, one line, the feet',
  goal: 'Plot the movable shaft at each dial, draw a line through both points and read the height of the feet.',
  paper: 'Graph paper: the line from the side',
  square: (along: string, up: string) => t`One square: ${along} mm along, ${up} mm up.`,
  sheet: 'Readings, zeroed at the top, shafts turned together',
  dial: 'Dial',
  bottom: 'Bottom, mm',
  sag: 'Bracket sag, mm',
  at: 'Distance from coupling, mm',
  high: 'high',
  low: 'low',
  fixed: 'the fixed shaft',
  front: 'front feet',
  back: 'back feet',
  feetHigh: (feet: string) => t`${feet}, mm (+ high, − low)`,
  dotSaid: (mm: string) => t`${mm} mm`,
  check: 'Check my graph',
  dotsTitle: 'Your points and feet against the actual values',
  truth: (mm: string) => t`actual ${mm} mm`,
  onLine: (mm: string) => t`your line gives ${mm} mm`,
  blank: 'Print a blank sheet',
  blankTitle: 'Graph paper',
  blankMetric: 'One square: 10 mm along, 0.02 mm up.',
  blankInch: 'One square: 1 in along, 1 mil up.',
  blankHelp:
    'Above the center line is high (or far), below is low (or near). Subtract the sag, halve the rest, plot the point.',
  hints: [
    'Subtract the sag first: reading − sag (sag is negative). Half the result is the offset at that dial.',
    'Dial on the movable hub: a high hub reads minus at the bottom, so reverse the sign. Dial on the fixed hub: keep the sign.',
    'Plot each point where that plunger touches. Extend the line to the feet and count squares from the center line.',
  ],
})

export const hubDots: Readonly<Record<Hub, string>> = labels({
  left: 'Point at the dial on the fixed hub',
  right: 'Point at the dial on the movable hub',
})

export const hubDials: Readonly<Record<Hub, string>> = labels({
  left: 'On the fixed hub, bracket on the movable shaft',
  right: 'On the movable hub, bracket on the fixed shaft',
})

export const plotFootNames: Readonly<Record<PlotFoot, string>> = labels({ front: 'Front feet', back: 'Back feet' })

const slips: Readonly<Record<PlotSlip, Message>> = labels({
  'no-dots': { title: 'A point is missing.', detail: 'The line needs two points, one at each dial.' },
  changed: { title: 'The points are swapped.', detail: 'Each belongs where its own plunger touches.' },
  sign: {
    title: 'A point is on the wrong side of the line.',
    detail: 'A high movable hub reads minus at the bottom. On the fixed hub it reads plus.',
  },
  'not-halved': {
    title: 'A point is twice as far out as it should be.',
    detail: 'The total reading over half a turn is twice the offset.',
  },
  'sag-left-in': {
    title: 'One point still includes sag.',
    detail: '(Reading − sag) ÷ 2. Subtracting a negative sag adds.',
  },
  dot: {
    title: 'A point does not match its reading.',
    detail: 'Subtract sag, halve, set the sign, then count the squares again.',
  },
  'no-feet': { title: 'You have not read the feet.', detail: 'Follow the line to each of them.' },
  foot: { title: 'A foot value is not on your line.', detail: 'At the feet, count from the center line to your line.' },
})

export const sayPlotSlip = (slip: PlotSlip): Message => slips[slip]
