import { createGlobalStyle } from 'styled-components'

/** Colors by use, as custom properties, so that the scheme can change without drawing anything anew. */
const light = `
  color-scheme: light;
  --paper: #F4F1EA; --card: #FFFDF8; --ink: #1D2B2F; --muted: #5E6B6D; --rule: #D5CFC2; --kelp: #1F5A57; --on-kelp: #FFFFFF;
  --within: #1F6F8B; --unsure: #B7791F; --unsure-ink: #8A5A12; --outside: #A8325E; --body: #F4F1EA;
`
const dark = `
  color-scheme: dark;
  --paper: #12191B; --card: #1A2326; --ink: #ECE7DC; --muted: #A3AEAD; --rule: #3A4648; --kelp: #7CC3B5; --on-kelp: #0E1618;
  --within: #6DB6D0; --unsure: #DDA74C; --unsure-ink: #DDA74C; --outside: #E88BAD; --body: #222D30;
`

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

/** Below this the page is narrow: the drawing on top, the work area as wide as the page, the findings in a drawer. */
export const narrow = '@media (max-width: 899px)'
/** As narrow as a phone held upright. */
export const phone = '@media (max-width: 599px)'

/** On a phone each row of a table is a card: a line a cell, after the heading that the cell itself names (`data-of`). */
export const rowsAsCards = `
  ${phone} {
    &, tbody, tr, th, td { display: block; } thead { display: none; }
    tbody tr { padding: 8px 0; border-top: 1px solid var(--rule); }
    tbody th, td { height: auto; min-height: 30px; padding: 3px 0; border: 0; white-space: normal; }
    td[data-of] { display: flow-root; padding-left: 46%; }
    td[data-of]::before { content: attr(data-of); float: left; margin-left: -85%; width: 81%; color: var(--muted); font-family: 'Atkinson Hyperlegible Next Variable', sans-serif; font-weight: 400; }
    td:empty { display: none; }
  }
`
