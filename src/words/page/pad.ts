import { labels, t } from '../language'

/** What the glove pad says. */
export const padWords = labels({
  pad: 'Glove pad',
  show: 'Glove pad: large keys for entry',
  hide: 'Put the glove pad away',
  tapAField: 'Tap a field to type into.',
  sign: 'Reverse the sign',
  point: 'Decimal point',
  erase: 'Take off the last digit',
  next: 'Next',
  before: 'Before',
  turnUp: 'One turn more',
  turnDown: 'One turn less',
  turnMore: '+1 turn',
  turnLess: '−1 turn',
  aloud: 'Say it aloud',
  nothing: 'nothing yet',
  said: (field: string, value: string) => t`${field}: ${value}`,
  minus: 'minus',
})
