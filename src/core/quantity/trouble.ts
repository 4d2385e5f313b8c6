/** What is wrong with something typed or read, as data; `src/words/troubles.ts` makes the sentence of it. */
export type Trouble =
  /** The text itself: as it was typed, or the part of it that is wrong. */
  | {
      kind: 'not-a-number' | 'no-unit' | 'no-digits' | 'two-ways' | 'no-clock-time' | 'no-heading' | 'none-of'
      text: string
    }
  | { kind: 'nothing-typed' | 'over-nothing' | 'too-far' | 'not-above-zero' | 'too-small' | 'too-large' }
  | { kind: 'gap-below-zero' | 'not-a-pack' }
  /** Of a table that is brought in. */
  | {
      kind:
        | 'reading-missing'
        | 'angle-missing'
        | 'no-column'
        | 'column-twice'
        | 'say-how-angles'
        | 'no-rows'
        | 'too-many-rows'
        | 'uneven-places'
    }
  /** Of a dimension. */
  | { kind: 'in-a-circle' | 'no-place' | 'no-reference' | 'no-distance' }
  /** Of readings that do not tell where the shafts stand. */
  | { kind: Lack }

/** What readings lack, or what is the matter with them, so that nothing can be worked out. */
export type Lack =
  | 'nothing-read'
  | 'faces-alone'
  | 'one-angle'
  | 'two-angles'
  | 'one-station'
  | 'too-few-angles'
  | 'out-of-proportion'
  | 'connected-only'
