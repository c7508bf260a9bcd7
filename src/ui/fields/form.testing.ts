import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h, type ReactElement } from 'react'
import type { VerbName } from '@/server/verbs'
import { MayProvider } from '../shell/may'
import { fakeServer } from './server.testing'

/** A form as a person meets it: what opens it, what is typed, what is pressed, and what then goes out. */
export interface FormCase {
  name: string
  draw: () => ReactElement
  verb: VerbName
  /** Pressed before it can be typed in, by name. */
  open?: readonly string[]
  /** By label: what is typed or chosen; true where a box is ticked. */
  type: Readonly<Record<string, string | true>>
  press: string
  /** What goes out, beside what the device names. */
  sends: Record<string, unknown>
  /** Fields that are refused beside their input, each by its label. */
  beside?: Readonly<Record<string, string>>
  /** Fields that are refused at the form. */
  atForm?: readonly string[]
  /** What the server answers when it is kept. */
  answer?: unknown
  /** What is the same whenever it is sent, as the device names it once. */
  names?: string
}

const LOST = /server cannot be reached/
/** Everybody may do everything here. */
const ALL = { includes: () => true } as unknown as readonly VerbName[]

function controlOf(label: string): HTMLElement {
  return screen.getByLabelText(label)
}

function begin(form: FormCase) {
  render(h(MayProvider, { steps: ALL, children: form.draw() }))
  for (const name of form.open ?? []) fireEvent.click(screen.getByRole('button', { name }))
  for (const [label, typed] of Object.entries(form.type)) {
    const control = controlOf(label)
    if (typed === true) fireEvent.click(control)
    else fireEvent.change(control, { target: { value: typed } })
  }
}

/** What stands in the form, by label. */
function typedIn(form: FormCase) {
  return Object.fromEntries(
    Object.keys(form.type).map((label) => {
      const control = controlOf(label) as HTMLInputElement
      return [label, form.type[label] === true ? control.checked : control.value]
    }),
  )
}

/** A screen reader says it: as an alert, or with the control it describes. */
function isHeard(words: HTMLElement): boolean {
  return (
    words.closest('[role=alert]') !== null ||
    document.querySelector(`[aria-describedby="${words.id}"]`) !== null
  )
}

const press = (form: FormCase) =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name: form.press }))
    await Promise.resolve()
  })

/**
 * What every form holds to: nothing typed is lost by a lost answer or a refusal; what is pressed again after a lost answer is the same press; whatever field is refused,
 * its sentence is said once, beside its input where it has one; what is kept is what was typed.
 */
export function formsHold(forms: readonly FormCase[]): void {
  let server: ReturnType<typeof fakeServer>
  beforeEach(() => {
    server = fakeServer()
  })
  afterEach(cleanup)

  describe.each(forms.map((f) => [f.name, f] as const))('%s', (_, form) => {
    test('keeps what is typed when the answer is lost, and sends the same press again', async () => {
      begin(form)
      const typed = typedIn(form)
      server.reply('lost', 'lost')
      await press(form)
      expect(screen.getByText(LOST)).toBeTruthy()
      expect(typedIn(form)).toEqual(typed)
      await press(form)
      expect(server.asked.map((a) => a.url)).toEqual([`/api/do/${form.verb}`, `/api/do/${form.verb}`])
      expect(server.asked[1]).toEqual(server.asked[0])
    })

    test('sends what was typed, once', async () => {
      begin(form)
      server.reply(server.refusal('nothing of it', 'Not yet.'), server.value(form.answer ?? {}))
      await press(form)
      await press(form)
      const [refused, kept] = server.asked
      expect(kept!.body).toMatchObject(form.sends)
      // Another press, as the first was answered; what it makes has still the same name.
      expect(kept!.step).not.toBe(refused!.step)
      if (form.names) {
        expect(refused!.body[form.names]).toMatch(/^[0-9a-f-]{36}$/)
        expect(kept!.body[form.names]).toBe(refused!.body[form.names])
      }
      expect(screen.queryByText('Not yet.')).toBeNull()
    })

    test('says each refusal once, beside the field it is of', async () => {
      begin(form)
      const typed = typedIn(form)
      const fields = [
        ...Object.keys(form.beside ?? {}),
        ...(form.atForm ?? []),
        // What nobody foresaw.
        'something else',
      ]
      for (const field of fields) {
        const words = `Refused for ${field}.`
        server.reply(server.refusal(field, words))
        await press(form)
        expect(screen.getAllByText(words)).toHaveLength(1)
        const label = form.beside?.[field]
        if (label !== undefined) {
          const control = controlOf(label)
          expect(control.getAttribute('aria-invalid')).toBe('true')
          expect(document.getElementById(control.getAttribute('aria-describedby')!)?.textContent).toBe(words)
        } else expect(isHeard(screen.getByText(words))).toBe(true)
        expect(typedIn(form)).toEqual(typed)
      }
    })
  })
}
