import { addWords } from '.'
import { beltWords } from './belt'
import { boreWords } from './bore'
import { rollsWords } from './rolls'
import { trainWords } from './train'
import { uprightWords } from './upright'

/** The words of every kind of line, added. */
addWords('train', trainWords)
addWords('upright', uprightWords)
addWords('belt', beltWords)
addWords('bore', boreWords)
addWords('rolls', rollsWords)
