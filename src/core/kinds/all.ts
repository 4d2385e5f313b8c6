import { belt } from './belt'
import { bore } from './bore'
import { addKind } from './index'
import { rolls } from './rolls'
import { train } from './train'
import { upright } from './upright'

/** Every kind of line, added: for a server, a command or a test, which meet them all. */
addKind('train', train)
addKind('upright', upright)
addKind('belt', belt)
addKind('bore', bore)
addKind('rolls', rolls)
