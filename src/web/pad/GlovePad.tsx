import { ArrowLeft, ArrowRight, Delete, Volume2, VolumeX, X } from 'lucide-react'
import { type ReactNode, useEffect, useRef, useState } from 'react'
import styled from 'styled-components'
import { padWords as words } from '../../words/page/pad'
import { changeSettings, useSettings } from '../app/settings'
import { mono, narrow } from '../app/style'
import { isPadField, type PadKey, press } from './press'

const Panel = styled.section<{ $left: boolean }>`
  position: fixed; z-index: 4; ${({ $left }) => ($left ? 'left: 100px' : 'right: 16px')}; bottom: 16px; width: 400px; max-width: 100vw; padding: 12px; border: 2px solid var(--ink); border-radius: 8px;
  background: var(--paper); display: grid; gap: 8px; touch-action: manipulation; user-select: none;
  ${narrow} { left: 0; right: 0; bottom: 0; width: 100vw; border-radius: 0; border-width: 2px 0 0; padding: 8px; }
  header { display: grid; grid-template-columns: minmax(0, 1fr) auto auto; align-items: start; gap: 6px; }
  header p { margin: 0; font-size: 15px; overflow: hidden; text-overflow: ellipsis; display: grid; }
  header b { ${mono} font-size: 40px; line-height: 1.1; font-weight: 600; min-height: 44px; }
`
const Keys = styled.div`display: grid; grid-template-columns: repeat(4, minmax(56px, 1fr)); gap: 8px; ${narrow} { gap: 6px; }`
const Key = styled.button<{ $wide?: boolean; $act?: boolean }>`
  min-height: 60px; min-width: 56px; border: 1.5px solid var(--rule); border-radius: 6px; background: var(--card); color: var(--ink); font: inherit; font-size: 17px; font-weight: 600;
  display: inline-flex; align-items: center; justify-content: center; gap: 8px; cursor: pointer; ${({ $wide }) => ($wide ? 'grid-column: span 2;' : '')}
  ${({ $act }) => ($act ? 'background: var(--kelp); color: var(--on-kelp); border-color: var(--kelp);' : '')}
  &:active { border-color: var(--ink); transform: translateY(1px); } &:disabled { color: var(--muted); cursor: default; }
`
const Digit = styled(Key)`${mono} font-size: 26px;`
const Small = styled(Key)`min-height: 44px; min-width: 44px; padding: 0 8px;`

/** Room below the work, so that no field stays under the pad. */
const Room = styled.div`height: 470px;`

interface Field {
  element: HTMLInputElement
  label: string
  value: string
}

const read = (element: HTMLInputElement): Field => ({
  element,
  label: element.getAttribute('aria-label') ?? '',
  value: element.value,
})

/** The browser's own voice, where it has one. */
function say(text: string): void {
  const voice = window.speechSynthesis
  if (!voice) return
  voice.cancel()
  voice.speak(new SpeechSynthesisUtterance(text.replace(/[-−]/g, `${words.minus} `)))
}

/** Large keys for entry with gloves on, in place of the system's keyboard; the value stands big, and is said if wanted. */
export function GlovePad() {
  const { aloud } = useSettings()
  const [field, setField] = useState<Field>()
  const [left, setLeft] = useState(false)
  const panel = useRef<HTMLElement>(null)
  useEffect(() => {
    const look = () => {
      const at = document.activeElement
      if (isPadField(at)) setField(read(at))
      // a press beside a field lets go of it; one on the pad does not
      else if (!panel.current?.contains(at)) setField(undefined)
    }
    const come = ({ target }: FocusEvent) => {
      if (!isPadField(target)) return look()
      setField(read(target))
      // where the pad takes the whole width it must not cover the field
      target.scrollIntoView({ block: window.innerWidth < 900 ? 'center' : 'nearest' })
      const { right, bottom } = target.getBoundingClientRect()
      const { width = 0, height = 0 } = panel.current?.getBoundingClientRect() ?? {}
      setLeft(right > window.innerWidth - width - 24 && bottom > window.innerHeight - height - 24)
    }
    const left = () => setTimeout(look)
    document.addEventListener('focusin', come)
    document.addEventListener('focusout', left)
    document.addEventListener('input', look)
    look()
    return () => {
      document.removeEventListener('focusin', come)
      document.removeEventListener('focusout', left)
      document.removeEventListener('input', look)
    }
  }, [])
  const act = (pressed: PadKey) => {
    if (!field) return
    const { element, label, value } = field
    if (aloud && (pressed === 'next' || pressed === 'before')) say(words.said(label, value || words.nothing))
    element.focus()
    press(element, pressed)
    // the sign and the turns are taken by the field itself: shown once it has
    requestAnimationFrame(() => {
      if (isPadField(document.activeElement)) setField(read(document.activeElement))
    })
  }
  const key = (pressed: PadKey, label: string, children: ReactNode, Look = Key, look = {}) => (
    <Look
      key={label}
      type="button"
      tabIndex={-1}
      aria-label={label}
      disabled={!field}
      // the field keeps the focus, and no system keyboard comes
      onPointerDown={(event) => event.preventDefault()}
      onMouseDown={(event) => event.preventDefault()}
      onClick={() => act(pressed)}
      {...look}
    >
      {children}
    </Look>
  )
  const digit = (one: string) => key({ digit: one }, one, one, Digit)
  const turns = field?.element.dataset.turns !== undefined
  return (
    <>
      <Room aria-hidden="true" />
      <Panel ref={panel} $left={left} aria-label={words.pad}>
        <header>
          <p>
            <span>{field?.label ?? words.tapAField}</span>
            <b>{field?.value.replace(/^-/, '−') ?? ''}</b>
          </p>
          <Small
            type="button"
            aria-label={words.aloud}
            aria-pressed={aloud}
            onPointerDown={(event) => event.preventDefault()}
            onClick={() => changeSettings({ aloud: !aloud })}
          >
            {aloud ? <Volume2 size={22} /> : <VolumeX size={22} />}
          </Small>
          <Small type="button" aria-label={words.hide} onClick={() => changeSettings({ pad: false })}>
            <X size={22} />
          </Small>
        </header>
        <Keys>
          {['7', '8', '9'].map(digit)}
          {key('erase', words.erase, <Delete size={26} />)}
          {['4', '5', '6'].map(digit)}
          {key('sign', words.sign, '+/−', Digit)}
          {['1', '2', '3'].map(digit)}
          {key('point', words.point, '.', Digit)}
          {turns ? key('turn-down', words.turnDown, words.turnLess) : <span />}
          {digit('0')}
          {turns ? key('turn-up', words.turnUp, words.turnMore) : <span />}
          <span />
          {key('before', words.before, [<ArrowLeft key="i" size={22} />, words.before], Key, { $wide: true })}
          {key('next', words.next, [words.next, <ArrowRight key="i" size={22} />], Key, { $wide: true, $act: true })}
        </Keys>
      </Panel>
    </>
  )
}
