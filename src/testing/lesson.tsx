import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { fireEvent } from '@testing-library/dom'
import { userEvent } from '@testing-library/user-event'
import { flushSync } from 'react-dom'
import { createRoot, type Root } from 'react-dom/client'
import { MemoryRouter, Route, Routes } from 'react-router'
import { expect } from 'vitest'
import { LessonScreen } from '../web/practice/LessonScreen'
import { PracticeScreen } from '../web/practice/PracticeScreen'
import { settled } from './locator'

/** How a person handles the page. */
type How = 'click' | 'key'

/** What a person hears an element called: its label, or what stands in it. Reckoning it by every rule takes most of a test's time. */
function nameOf(element: Element): string {
  const label = element.getAttribute('aria-label')
  if (label !== null) return label
  const beside = element.closest('label')?.querySelector('span')?.textContent
  const own = element.matches('input, select') ? (beside ?? element.closest('label')?.textContent) : element.textContent
  return (own ?? '').trim()
}

const fits = (said: string, name: string | RegExp) => (typeof name === 'string' ? said === name : name.test(said))

/** The one element of this kind and name. */
function named<E extends HTMLElement>(selector: string, name: string | RegExp, within: ParentNode = document): E {
  const all = [...within.querySelectorAll<E>(selector)]
  const found = all.filter((one) => fits(nameOf(one), name))
  const [first] = found
  if (found.length === 1 && first) return first
  throw new Error(`${found.length} “${name}” among ${selector}: ${all.map((one) => `“${nameOf(one)}”`).join(', ')}`)
}

/** The same, once it stands there and can be used: a screen may be on its way. */
async function come<E extends HTMLElement>(selector: string, name: string | RegExp, row?: string): Promise<E> {
  for (let tries = 0; ; tries++)
    try {
      const one = named<E>(selector, name, row ? named('[role=group], fieldset', row) : document)
      if (one.matches(':disabled')) throw new Error(`“${name}” can’t be used`)
      return one
    } catch (error) {
      if (tries > 400) throw error
      await new Promise((next) => setTimeout(next, 15))
    }
}

/** How often a text is said, each time by the smallest element that holds all of it. */
function said(text: string | RegExp): number {
  const holds = ({ textContent }: Element) =>
    typeof text === 'string' ? (textContent ?? '').includes(text) : text.test(textContent ?? '')
  return [...document.body.querySelectorAll('*')].filter((one) => holds(one) && ![...one.children].some(holds)).length
}

let shown: Root | undefined

/** Takes away what is shown, as a closed tab is. */
export function closePractice(): void {
  const root = shown
  shown = undefined
  if (root) flushSync(() => root.unmount())
  document.body.replaceChildren()
}

/**
 * A screen of practice as a person handles it, by mouse or by keyboard, without a browser round it.
 *
 * @param at its address
 * @param kept how far the person had come in it: stored as the page stores it
 */
export function openPractice(at: string, { kept, how = 'click' }: { kept?: object; how?: How } = {}) {
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 })
  if (kept) localStorage.setItem(`vane-peg-practice:${at.replace('/practice/', '')}`, JSON.stringify(kept))
  // there is no server here
  const client = new QueryClient({ defaultOptions: { queries: { enabled: false } } })
  const show = () => {
    closePractice()
    const root = createRoot(document.body.appendChild(document.createElement('div')))
    shown = root
    flushSync(() =>
      root.render(
        <QueryClientProvider client={client}>
          <MemoryRouter initialEntries={[at]}>
            <Routes>
              <Route path="/practice" element={<PracticeScreen />} />
              <Route path="/practice/:lesson" element={<LessonScreen />} />
            </Routes>
          </MemoryRouter>
        </QueryClientProvider>,
      ),
    )
  }
  show()
  const handle = async (element: HTMLElement, by: '{Enter}' | ' ') => {
    if (how === 'click') await user.click(element)
    else await typed(element, by)
    await settled()
  }
  const typed = async (element: HTMLElement, by: '{Enter}' | ' ') => {
    element.focus()
    await user.keyboard(by)
  }
  const field = (label: string) => named<HTMLInputElement>('input, select', label)
  const page = {
    user,
    /** Presses a button; of several rows of buttons, in the one of this name. */
    press: async (name: string | RegExp, row?: string) => handle(await come('button', name, row), '{Enter}'),
    choose: async (name: string) => handle(await come('input[type=radio]', name), ' '),
    follow: async (name: string | RegExp) => handle(await come('a', name), '{Enter}'),
    pick: async (label: string, option: string) => user.selectOptions(field(label), option),
    field,
    /** Puts a text into a field at once, as if it was pasted. */
    fill: async (label: string, text: string) => {
      fireEvent.input(field(label), { target: { value: text } })
      await settled()
    },
    /** A move typed and made; none where there is nothing to move. */
    move: async (label: string, by: number, button = 'Apply') => {
      if (Math.abs(by) < 0.005 && button === 'Apply') return
      await page.fill(label, by.toFixed(2))
      await page.press(button, label)
    },
    see: (text: string | RegExp) => expect(said(text), `“${text}” is said`).toBeGreaterThan(0),
    unseen: (text: string | RegExp) => expect(said(text), `“${text}” is said`).toBe(0),
    /** What is told live and holds this. */
    status: (text: string) =>
      [...document.querySelectorAll('[role=status]')].find((one) => one.textContent?.includes(text))?.textContent ?? '',
    passed: () => page.see('Passed.'),
    /** The tab is closed and opened again. */
    reload: show,
  }
  return page
}

/** The first number of a text, or the one in the brackets of `found`; a minus may be the one of print. */
export function numberIn(text: string, found = /([+−-]?\d+(?:\.\d+)?)/): number {
  return Number((found.exec(text)?.[1] ?? 'nothing').replace('−', '-'))
}
