import { type ReactNode, useState } from 'react'
import { printWords } from '../../words/page/print'
import { isReached } from '../api/reach'
import { ButtonAnchor, Fault } from '../parts/controls'
import { saveFile } from '../parts/files'

/** Opens a PDF of the server; where that is not reached, the same page is printed here and handed over as a file. */
export function PdfLink({
  href,
  name,
  here,
  look,
  label,
  before,
  children,
}: {
  href: string
  /** The file's name where it is printed here, without its ending. */
  name: string
  here: () => Promise<Uint8Array | undefined>
  look?: 'quiet'
  label?: string
  /** Done with every press. */
  before?: () => void
  children: ReactNode
}) {
  const [printing, setPrinting] = useState(false)
  const [fault, setFault] = useState('')
  const print = async () => {
    setFault('')
    setPrinting(true)
    try {
      const pdf = await here()
      if (!pdf) throw new Error(printWords.nothingToPrint)
      saveFile(`${name}.pdf`, new Blob([pdf as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }))
    } catch (error) {
      setFault(printWords.failed(error instanceof Error ? error.message : String(error)))
    } finally {
      setPrinting(false)
    }
  }
  return (
    <>
      <ButtonAnchor
        {...(look ? { $look: look } : {})}
        aria-label={label}
        aria-busy={printing || undefined}
        href={href}
        target="_blank"
        rel="noreferrer"
        onClick={(event) => {
          before?.()
          if (isReached() !== false) return
          event.preventDefault()
          if (!printing) void print()
        }}
      >
        {children}
      </ButtonAnchor>
      {fault ? <Fault role="alert">{fault}</Fault> : null}
    </>
  )
}
