import { fireEvent } from '@testing-library/dom'
import { userEvent } from '@testing-library/user-event'
import { expect as plain } from 'vitest'

/**
 * Finds, waits for and handles what stands on a page, by the words of Playwright as far as the tests of screens need them: a test
 * here reads like one in the browser. Nothing is laid out and nothing drawn; what is hidden by style is not known to be.
 */

/** So long is waited for what should stand there, ms: something else than a loop keeps a test that is wrong from going on. */
const patience = 20_000

type Text = string | RegExp
interface ByName {
  name?: Text
  exact?: boolean
}

const collapsed = (text: string | null | undefined) => (text ?? '').replace(/\s+/g, ' ').trim()

function fits(said: string | null | undefined, wanted: Text, exact = false): boolean {
  const text = collapsed(said)
  if (wanted instanceof RegExp) return wanted.test(text)
  return exact ? text === collapsed(wanted) : text.toLowerCase().includes(collapsed(wanted).toLowerCase())
}

const roles: Readonly<Record<string, string>> = {
  alert: '[role=alert]',
  article: 'article',
  button: 'button, [role=button]',
  cell: 'td',
  checkbox: 'input[type=checkbox]',
  columnheader: 'thead th',
  combobox: 'select, [role=combobox]',
  complementary: 'aside',
  dialog: '[role=dialog], dialog',
  group: '[role=group], fieldset',
  heading: 'h1, h2, h3, h4, h5, h6',
  img: 'img, [role=img]',
  link: 'a[href]',
  list: 'ul, ol, [role=list]',
  listitem: 'li',
  navigation: 'nav',
  radio: 'input[type=radio], [role=radio]',
  radiogroup: '[role=radiogroup]',
  region: 'section[aria-label], section[aria-labelledby], [role=region]',
  row: 'tr',
  slider: 'input[type=range]',
  status: '[role=status], output',
  table: 'table',
  textbox: 'input:not([type=radio], [type=checkbox], [type=range], [type=file]), textarea',
}

const labelledBy = (element: Element): string | undefined => {
  const ids = element.getAttribute('aria-labelledby')
  return ids
    ?.split(/\s+/)
    .map((id) => document.getElementById(id)?.textContent ?? '')
    .join(' ')
}

/** The words of the label round or beside a field, without those of what it holds. */
function labelsOf(element: Element): string | undefined {
  const around = element.closest('label') ?? (element.id ? document.querySelector(`label[for="${element.id}"]`) : null)
  if (!around) return undefined
  const copy = around.cloneNode(true) as Element
  for (const field of copy.querySelectorAll('select, textarea')) field.remove()
  return copy.textContent ?? undefined
}

const isField = (element: Element) => element.matches('input, select, textarea')

function nameOf(element: Element): string {
  const told = element.getAttribute('aria-label') ?? labelledBy(element)
  if (told !== undefined && told !== null) return told
  if (isField(element)) return labelsOf(element) ?? ''
  const pictures = [...element.querySelectorAll('svg[aria-label], img[alt]')]
  const seen = pictures.map((one) => one.getAttribute('aria-label') ?? one.getAttribute('alt'))
  return [...seen, element.textContent].join(' ')
}

type Find = () => readonly Element[]

export class Locator {
  constructor(
    readonly told: string,
    readonly elements: Find,
  ) {}

  private inside(told: string, pick: (within: Element) => Iterable<Element>): Locator {
    return new Locator(`${this.told} ${told}`, () => [...new Set(this.elements().flatMap((one) => [...pick(one)]))])
  }
  private among(told: string, pick: (all: readonly Element[]) => readonly Element[]): Locator {
    return new Locator(`${this.told} ${told}`, () => pick(this.elements()))
  }

  locator(selector: string): Locator {
    return this.inside(selector, (one) => one.querySelectorAll(selector))
  }
  getByRole(role: string, { name, exact = false }: ByName = {}): Locator {
    const selector = roles[role] ?? `[role=${role}]`
    return this.inside(`${role} “${name ?? ''}”`, (one) =>
      [...one.querySelectorAll(selector)].filter((el) => name === undefined || fits(nameOf(el), name, exact)),
    )
  }
  getByLabel(label: Text, { exact = false } = {}): Locator {
    return this.inside(`labeled “${label}”`, (one) =>
      [...one.querySelectorAll('[aria-label], [aria-labelledby], input, select, textarea')].filter((el) => {
        const said = el.getAttribute('aria-label') ?? labelledBy(el) ?? (isField(el) ? labelsOf(el) : undefined)
        return said !== undefined && fits(said, label, exact)
      }),
    )
  }
  getByPlaceholder(text: Text): Locator {
    return this.inside(`placeholder “${text}”`, (one) =>
      [...one.querySelectorAll('[placeholder]')].filter((el) => fits(el.getAttribute('placeholder'), text)),
    )
  }
  getByText(text: Text, { exact = false } = {}): Locator {
    return this.inside(`text “${text}”`, (one) => {
      const holds = (el: Element) => !el.matches('script, style, option') && fits(el.textContent, text, exact)
      return [...one.querySelectorAll('*')].filter((el) => holds(el) && ![...el.children].some(holds))
    })
  }
  filter({ hasText }: { hasText: Text }): Locator {
    return this.among(`with “${hasText}”`, (all) => all.filter((el) => fits(el.textContent, hasText)))
  }
  nth(i: number): Locator {
    return this.among(`no. ${i}`, (all) => all.slice(i, i === -1 ? undefined : i + 1))
  }
  first(): Locator {
    return this.nth(0)
  }
  last(): Locator {
    return this.nth(-1)
  }
  all(): readonly Locator[] {
    return this.elements().map((_, i) => this.nth(i))
  }
  async count(): Promise<number> {
    return this.elements().length
  }

  /** The one element, once it stands there. */
  async one(): Promise<HTMLElement> {
    let found: readonly Element[] = []
    await until(
      () => {
        found = this.elements()
        return found.length > 0
      },
      () => `${this.told}: nothing found`,
    )
    const [first] = found
    if (found.length > 1 || !first)
      throw new Error(
        `${this.told}: ${found.length} found: ${found.map((el) => collapsed(nameOf(el)).slice(0, 60)).join(' | ')}`,
      )
    return first as HTMLElement
  }
  async waitFor(): Promise<void> {
    await this.first().one()
  }

  private async able(): Promise<HTMLElement> {
    const element = await this.one()
    await until(
      () => !(element as HTMLButtonElement).disabled && element.getAttribute('aria-disabled') !== 'true',
      () => `${this.told}: disabled`,
    )
    return element
  }
  async click(): Promise<void> {
    await user.click(await this.able())
    await settled()
  }
  tap = this.click
  async check(): Promise<void> {
    const element = (await this.able()) as HTMLInputElement
    if (!element.checked) await this.click()
  }
  async focus(): Promise<void> {
    ;(await this.one()).focus()
    await settled()
  }
  async press(key: string): Promise<void> {
    await this.focus()
    await keyboard.press(key)
  }
  /** Puts a text into a field at once, as if it was pasted. */
  async fill(value: string): Promise<void> {
    const element = (await this.able()) as HTMLInputElement
    if (element.readOnly) throw new Error(`${this.told}: may only be read`)
    element.focus()
    fireEvent.input(element, { target: { value } })
    await settled()
  }
  async selectOption(option: string | { label: string }): Promise<void> {
    const element = (await this.able()) as HTMLSelectElement
    const fitsOption = ({ value, textContent }: HTMLOptionElement) =>
      typeof option === 'string' ? value === option || textContent === option : textContent === option.label
    let picked: HTMLOptionElement | undefined
    await until(
      () => {
        picked = [...element.options].find(fitsOption)
        return picked !== undefined
      },
      () => `${this.told}: has no “${typeof option === 'string' ? option : option.label}”`,
    )
    if (picked) await user.selectOptions(element, picked)
    await settled()
  }
  async textContent(): Promise<string> {
    return (await this.one()).textContent ?? ''
  }
  async allTextContents(): Promise<string[]> {
    return this.elements().map(({ textContent }) => textContent ?? '')
  }
  async inputValue(): Promise<string> {
    return ((await this.one()) as HTMLInputElement).value
  }
  async getAttribute(name: string): Promise<string | null> {
    return (await this.one()).getAttribute(name)
  }
  async isVisible(): Promise<boolean> {
    return this.elements().length > 0
  }
}

const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 })

const names: Readonly<Record<string, string>> = { Space: ' ' }

export const keyboard = {
  /** One key, held with others as in `Control+z`. */
  async press(keys: string): Promise<void> {
    const parts = keys.split('+')
    const key = parts.pop() ?? ''
    const held = parts.map((part) => `{${part}>}`).join('')
    const released = parts.map((part) => `{/${part}}`).join('')
    await user.keyboard(`${held}${key.length > 1 && !names[key] ? `{${key}}` : (names[key] ?? key)}${released}`)
    await settled()
  },
  async type(text: string): Promise<void> {
    await user.keyboard(text.replace(/[{[]/g, '$&$&'))
    await settled()
  },
}

/**
 * What was set off by the last event is drawn. React draws some of it in an immediate of Node's, which a timer alone may
 * come before.
 */
export const settled = () => new Promise((done) => setTimeout(() => setImmediate(done)))

async function until(is: () => boolean, otherwise: () => string): Promise<void> {
  const end = performance.now() + patience
  for (;;) {
    if (is()) return
    if (performance.now() > end) throw new Error(otherwise())
    await new Promise((next) => setTimeout(next, 15))
  }
}

/** What is expected of an element that may still be on its way. */
class Expected {
  constructor(
    private readonly at: Locator,
    private readonly wanted = true,
  ) {}
  get not(): Expected {
    return new Expected(this.at, !this.wanted)
  }
  private async holds(says: string, is: (one: HTMLElement) => boolean): Promise<void> {
    await until(
      () => {
        const found = this.at.elements()
        if (found.length > 1) throw new Error(`${this.at.told}: ${found.length} found`)
        const [one] = found
        return one !== undefined && is(one as HTMLElement) === this.wanted
      },
      () =>
        `${this.at.told}: not ${this.wanted ? '' : 'but '}${says}; it says ${this.at.elements().map((el) => `“${collapsed(el.textContent).slice(0, 300)}${(el as HTMLInputElement).value ?? ''}”`)}`,
    )
  }
  toBeVisible = async () => {
    if (!this.wanted) return this.toBeHidden()
    await this.holds('there', () => true)
  }
  toBeHidden = () =>
    until(
      () => (this.at.elements().length === 0) === this.wanted,
      () => `${this.at.told}: still there`,
    )
  toHaveCount = (n: number) =>
    until(
      () => (this.at.elements().length === n) === this.wanted,
      () => `${this.at.told}: ${this.at.elements().length} of them, not ${n}`,
    )
  toContainText = (text: Text) => this.holds(`with “${text}”`, (one) => fits(one.textContent, text))
  toHaveText = (text: Text | readonly string[]) =>
    typeof text === 'string' || text instanceof RegExp
      ? this.holds(`“${text}”`, (one) => fits(one.textContent, text, true))
      : until(
          () => {
            const found = this.at.elements()
            return found.length === text.length && found.every((one, i) => fits(one.textContent, text[i] ?? '', true))
          },
          () => `${this.at.told}: says ${this.at.elements().map((one) => `“${collapsed(one.textContent)}”`)}`,
        )
  toHaveValue = (value: Text) =>
    this.holds(`holding “${value}”`, (one) => fits((one as HTMLInputElement).value, value, true))
  toHaveAttribute = (name: string, value: Text) =>
    this.holds(`${name} “${value}”`, (one) => fits(one.getAttribute(name), value, true))
  toBeFocused = () => this.holds('focused', (one) => document.activeElement === one)
  toBeChecked = () => this.holds('checked', (one) => (one as HTMLInputElement).checked)
  toBeDisabled = () => this.holds('disabled', (one) => (one as HTMLButtonElement).disabled)
  toBeEnabled = () => this.holds('enabled', (one) => !(one as HTMLButtonElement).disabled)
}

export function expect(at: Locator): Expected
export function expect<T>(value: T, message?: string): ReturnType<typeof plain<T>>
export function expect(what: unknown, message?: string): unknown {
  return what instanceof Locator ? new Expected(what) : plain(what, message)
}
expect.poll = plain.poll
