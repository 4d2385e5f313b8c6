import { kindNames } from '../../core/kinds/train/document/make'
import { labels } from '../language'

/** What each kind of machine is called: the names that new machines get as well. */
export const machineKindNames = labels(kindNames)
