import { createGlobalStyle } from 'styled-components'
import { appWords } from '../../words/page/app'

/** Colours by use, as custom properties, so that the scheme can change without drawing anything anew. */
const light = appWords.colorSchemeLightPaperF4f1ea
const dark = appWords.colorSchemeDarkPaper12191b

export const GlobalStyle = createGlobalStyle<{ $scheme: 'system' | 'light' | 'dark' }>`
  :root { ${light} }
  @media (prefers-color-scheme: dark) { :root { ${({ $scheme }) => ($scheme === 'light' ? '' : dark)} } }
  :root { ${({ $scheme }) => ($scheme === 'dark' ? dark : '')} }
  *, *::before, *::after { box-sizing: border-box; }
  html { background: var(--paper); }
  body {
    margin: 0; background: var(--paper); color: var(--ink);
    font-family: 'Atkinson Hyperlegible Next Variable', sans-serif; font-size: 15px; line-height: 1.4;
  }
  h1, h2, h3, p { margin: 0; }
  a { color: inherit; }
  button, input, select, textarea { font: inherit; color: inherit; }
  :focus-visible { outline: 3px solid var(--kelp); outline-offset: 2px; border-radius: 4px; }
  :is(h1, main)[tabindex='-1']:focus { outline: none; }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { transition: none !important; animation: none !important; } }
`

export const mono = `font-family: 'Atkinson Hyperlegible Mono Variable', monospace; font-variant-numeric: tabular-nums;`

/** Below this the page is narrow: Sight on top, Bench full width, Say as a drawer. */
export const narrow = '@media (max-width: 899px)'
