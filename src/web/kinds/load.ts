import { addKind, type KindName, kindNames } from '../../core/kinds'
import { addWords } from '../../words'
import { retryOnce } from '../app/retryOnce'

/** What each kind of line can do and say, fetched when a screen meets it. */
const fetches: { readonly [K in KindName]: () => Promise<void> } = {
  train: async () => {
    const [{ train }, { trainWords }] = await Promise.all([
      import('../../core/kinds/train'),
      import('../../words/train'),
    ])
    addKind('train', train)
    addWords('train', trainWords)
  },
  upright: async () => {
    const [{ upright }, { uprightWords }] = await Promise.all([
      import('../../core/kinds/upright'),
      import('../../words/upright'),
    ])
    addKind('upright', upright)
    addWords('upright', uprightWords)
  },
  belt: async () => {
    const [{ belt }, { beltWords }] = await Promise.all([import('../../core/kinds/belt'), import('../../words/belt')])
    addKind('belt', belt)
    addWords('belt', beltWords)
  },
  bore: async () => {
    const [{ bore }, { boreWords }] = await Promise.all([import('../../core/kinds/bore'), import('../../words/bore')])
    addKind('bore', bore)
    addWords('bore', boreWords)
  },
  rolls: async () => {
    const [{ rolls }, { rollsWords }] = await Promise.all([
      import('../../core/kinds/rolls'),
      import('../../words/rolls'),
    ])
    addKind('rolls', rolls)
    addWords('rolls', rollsWords)
  },
}

const fetched = new Map<KindName, Promise<void>>()

/** A kind of line, once; asked again after it could not be fetched. */
export function loadKind(name: KindName): Promise<void> {
  const known = fetched.get(name)
  if (known) return known
  const loading = retryOnce(fetches[name])
  fetched.set(name, loading)
  loading.catch(() => fetched.delete(name))
  return loading
}

/** Every kind, for the screens that list or make lines of any. */
export const loadKinds = (): Promise<unknown> => Promise.all(kindNames.map(loadKind))
