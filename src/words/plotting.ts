import type { Hub, PlotFoot, PlotSlip } from '../core/practice/plot'
import { labels, t } from './language'
import type { Said } from './said'

/** What is said in the lesson of the graph. */
export const plottingWords = labels({
  name: 'Reverse dials to a graph',
  goal: 'Plot where the moved shaft stands at each dial, lay the line through both dots, and read off how high the feet are.',
  paper: 'Squared paper: the line from the side',
  square: (along: string, up: string) => t`A square is ${along} mm along the line and ${up} mm up.`,
  sheet: 'Read, zeroed at the top, shafts turned together',
  dial: 'Dial',
  bottom: 'Bottom, mm',
  sag: 'Sag of its bracket, mm',
  at: 'At, mm from the coupling',
  high: 'high',
  low: 'low',
  fixed: 'the shaft that stays',
  front: 'front feet',
  back: 'back feet',
  feetHigh: (feet: string) => t`${feet}, mm high (low with a minus)`,
  dotSaid: (mm: string) => t`${mm} mm`,
  check: 'Check the graph',
  dotsTitle: 'Dots and feet, against the truth',
  truth: (mm: string) => t`true ${mm} mm`,
  onLine: (mm: string) => t`your line gives ${mm} mm`,
  blank: 'Print a blank sheet',
  blankTitle: 'Squared paper',
  blankMetric: 'A square: 10 mm along the line, 0.02 mm up.',
  blankInch: 'A square: 1 inch along the line, 0.001 inch up.',
  blankHelp: 'Above the middle line is high (or far), below it low (or near). Sag off, half of the rest, then the dot.',
  hints: [
    'Take the sag off first: reading less sag, and the sag is below zero. Half of what is left is how far the shaft is off there.',
    'A dial on the hub that moves shows less at the bottom as that hub is high: change the sign. On the hub that stays it is the other way about: keep it.',
    'The dot of each dial belongs where its plunger touches. The line through both goes on to the feet: count squares from the middle line.',
  ],
})

export const hubDots: Readonly<Record<Hub, string>> = labels({
  left: 'Dot at the dial on the hub that stays',
  right: 'Dot at the dial on the hub that moves',
})

export const hubDials: Readonly<Record<Hub, string>> = labels({
  left: 'On the hub that stays, bracket on the shaft that moves',
  right: 'On the hub that moves, bracket on the shaft that stays',
})

export const plotFootNames: Readonly<Record<PlotFoot, string>> = labels({ front: 'Front feet', back: 'Back feet' })

const slips: Readonly<Record<PlotSlip, Said>> = labels({
  'no-dots': { title: 'A dot is missing.', detail: 'Two dots make the line: one at each dial.' },
  changed: { title: 'The dots have changed places.', detail: 'Each belongs where its own plunger touches.' },
  sign: {
    title: 'A dot stands on the wrong side of the line.',
    detail: 'High on the hub that moves reads below zero at the bottom; on the hub that stays above.',
  },
  'not-halved': {
    title: 'A dot is twice as far off.',
    detail: 'Over half a turn the dial goes over twice the offset.',
  },
  'sag-left-in': {
    title: 'The sag is still in a dot.',
    detail: 'Reading less sag, then half. Less a number below zero is more.',
  },
  dot: {
    title: 'A dot is not where the reading puts it.',
    detail: 'Sag off, half, sign: then count the squares again.',
  },
  'no-feet': { title: 'The feet are not read off yet.', detail: 'Follow the line to each of them.' },
  foot: { title: 'A foot is not on your line.', detail: 'Count from the middle line to yours, at the feet.' },
})

export const sayPlotSlip = (slip: PlotSlip): Said => slips[slip]
