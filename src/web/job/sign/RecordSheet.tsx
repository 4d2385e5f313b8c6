import styled from 'styled-components'
import type { Block, Sheet, Table } from '../../../record/blocks'
import { mono } from '../../app/style'
import { Drawing } from '../../drawing/Drawing'
import { Peg } from '../../parts/Peg'
import { Wide } from '../../parts/Wide'

/** Paper: always light, as it prints, at its true size where there is room. */
const Paper = styled.article`
  --paper: #F4F1EA; --card: #FFFFFF; --ink: #1D2B2F; --muted: #5E6B6D; --rule: #D5CFC2; --kelp: #1F5A57;
  --within: #1F6F8B; --unsure: #B7791F; --unsure-ink: #8A5A12; --outside: #A8325E; --body: #F4F1EA;
  color-scheme: light; background: var(--card); color: var(--ink); border: 1px solid var(--rule); box-shadow: 0 2px 14px rgb(0 0 0 / 12%);
  width: 210mm; max-width: 100%; padding: 13mm 14mm; font-size: 9pt; line-height: 1.32; overflow-wrap: break-word;
  header { display: flex; flex-wrap: wrap; justify-content: space-between; gap: 4px 16px; border-bottom: 1.6px solid var(--ink); padding-bottom: 6px; margin-bottom: 8px; }
  header > :last-child { text-align: right; margin-left: auto; color: var(--muted); }
  h2 { font-size: 16pt; line-height: 1.15; } h3 { font-size: 11pt; margin: 12px 0 4px; }
  p { margin: 0 0 3px; } img.mark { max-height: 11mm; max-width: 50mm; margin: 0 0 4px auto; } .quiet { color: var(--muted); font-size: 7.5pt; } .under { color: var(--muted); }
  .verdict { display: flex; gap: 8px; align-items: center; font-size: 13pt; font-weight: 700; margin-bottom: 4px; }
  ul { list-style: none; margin: 4px 0 8px; padding: 0; display: grid; gap: 2px; } li { display: grid; grid-template-columns: 12px 1fr; gap: 6px; } li > svg { margin-top: 3px; }
  figure { margin: 6px 0; } img { max-width: 50%; max-height: 70mm; display: block; } figcaption { font-weight: 700; }
  .scroll { overflow-x: auto; }
  table { border-collapse: collapse; width: 100%; margin: 6px 0 10px; } caption { text-align: left; font-weight: 700; padding-bottom: 2px; }
  th, td { text-align: left; padding: 2px 8px 2px 0; border-bottom: 1px solid var(--rule); vertical-align: top; } thead th { color: var(--muted); } tbody th { font-weight: 400; }
  .number { ${mono} text-align: right; }
  .signatures { display: grid; grid-template-columns: repeat(3, 1fr); gap: 16px; margin-top: 18px; } .signatures b { display: block; min-height: 1.4em; border-bottom: 1px solid var(--ink); } .signatures span { color: var(--muted); }
  hr { border: 0; border-top: 1px dashed var(--rule); margin: 16px 0; }
  footer { color: var(--muted); font-size: 7pt; margin-top: 14px; }
`

/** A printed page on the screen: what the PDF says, from the same blocks. */
export function RecordSheet({ sheet, label }: { sheet: Sheet; label: string }) {
  return (
    <Paper aria-label={label}>
      <header>
        <div>
          <h2>{sheet.title}</h2>
          <p className="under">{sheet.under.filter(Boolean).join(' · ')}</p>
        </div>
        <div>
          {sheet.mark ? (
            <img className="mark" src={`/api/photographs/${sheet.mark.id}`} alt={sheet.mark.label} />
          ) : null}
          {sheet.beside.filter(Boolean).map((text) => (
            <p key={text}>{text}</p>
          ))}
        </div>
      </header>
      {sheet.blocks.map((block, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a sheet is made as a whole, its blocks have no other name
        <One key={i} block={block} />
      ))}
      <footer>{sheet.foot}</footer>
    </Paper>
  )
}

function One({ block }: { block: Block }) {
  switch (block.kind) {
    case 'heading':
      return <h3>{block.text}</h3>
    case 'verdict':
      return (
        <p className="verdict">
          <Peg peg={block.peg} /> {block.text}
        </p>
      )
    case 'text':
      return <p className={block.quiet ? 'quiet' : undefined}>{block.text}</p>
    case 'list':
      return (
        <ul>
          {block.items.map(({ peg, text }) => (
            <li key={text}>
              <Peg peg={peg ?? 'nothing'} size={11} {...(peg ? {} : { label: '' })} />
              <span>{text}</span>
            </li>
          ))}
        </ul>
      )
    case 'table':
      return <Rows table={block} />
    case 'drawing':
      return (
        <figure>
          <figcaption>{block.title}</figcaption>
          <Drawing scene={block.scene} label={block.label} />
        </figure>
      )
    case 'signatures':
      return (
        <div className="signatures">
          {block.lines.map(({ title, by }) => (
            <div key={title}>
              <b>{by}</b>
              <span>{title}</span>
            </div>
          ))}
        </div>
      )
    case 'photograph':
      return (
        <figure>
          <img src={`/api/photographs/${block.id}`} alt={block.label} />
          <figcaption className="under">{block.label}</figcaption>
        </figure>
      )
    case 'page':
      return <hr />
  }
}

function Rows({ table: { title, head, rows, numbers = [] } }: { table: Table }) {
  const look = (column: number) => (numbers.includes(column) ? 'number' : undefined)
  return (
    <Wide>
      <table>
        {title ? <caption>{title}</caption> : null}
        <thead>
          <tr>
            {head.map((text, i) =>
              text ? (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
                <th key={i} scope="col" className={look(i)}>
                  {text}
                </th>
              ) : (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
                <td key={i} />
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, r) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other name
            <tr key={r}>
              {row.map((cell, i) =>
                i === 0 ? (
                  // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
                  <th key={i} scope="row">
                    {cell}
                  </th>
                ) : (
                  // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other name
                  <td key={i} className={look(i)}>
                    {cell}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </Wide>
  )
}
