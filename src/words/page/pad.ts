import { labels, t } from '../language'

/** What the glove pad says. */
export const padWords = labels({
  pad: 'Glove pad',
  show: 'Glove pad: large keys for entry',
  hide: 'Close glove pad',
  tapAField: 'Tap a field to type into.',
  sign: 'Reverse the sign',
  point: 'Decimal point',
  erase: 'Delete last digit',
  next: 'Next',
  before: 'Previous',
  turnUp: 'Add one turn',
  turnDown: 'Subtract one turn',
  turnMore: '+1 turn',
  turnLess: '−1 turn',
  aloud: 'Speak entries',
  nothing: 'nothing yet',
  said: (field: string, value: string) => t`${field}: ${value}`,
  minus: 'minus',
})
