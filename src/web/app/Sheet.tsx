import type { ReactNode } from 'react'
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components'
import styled from 'styled-components'
import { appWords } from '../../words/page/app'
import { Button } from '../parts/controls'
import { mono } from './style'

/** What lies over the screen while a dialog is open, and the sheet of the dialog. */
export const Veil = styled(
  ModalOverlay,
)`position: fixed; inset: 0; background: rgb(0 0 0 / 35%); display: grid; place-items: center; z-index: 5;`
export const Sheet = styled(Modal)`
  background: var(--card); border: 1px solid var(--rule); border-radius: 6px; padding: 24px; width: min(520px, 94vw); max-height: 90vh; overflow: auto;
  dl { display: grid; grid-template-columns: auto 1fr; gap: 6px 18px; margin: 16px 0; } dt { ${mono} font-weight: 700; } dd { margin: 0; }
`

/** Whether a dialog is open, and who is told when that changes. */
export interface Opened {
  isOpen: boolean
  onOpenChange: (open: boolean) => void
}

/** Something to read over the screen, with a title and a button that closes it. */
export const ReadingSheet = ({ title, children, ...opened }: Opened & { title: string; children: ReactNode }) => (
  <Veil {...opened} isDismissable>
    <Sheet>
      <Dialog>
        {({ close }) => (
          <>
            <Heading slot="title">{title}</Heading>
            {children}
            <Button look="act" onPress={close}>
              {appWords.close}
            </Button>
          </>
        )}
      </Dialog>
    </Sheet>
  </Veil>
)
