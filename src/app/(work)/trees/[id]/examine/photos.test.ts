/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { MayProvider } from '@/ui/shell/may'
import { Photos } from './Photos'

const view = { tree: { id: 't-1' }, assessment: { id: 'a-1' }, photos: [], timeZone: 'UTC' } as never
const picture = (name: string) => new File(['bytes'], name, { type: 'image/jpeg', lastModified: 5 })

/** Each request by its address; what comes back is said beforehand, a picture that is kept when nothing is. */
function answers(...replies: ('lost' | { status: number; body: unknown })[]) {
  const asked: string[] = []
  globalThis.fetch = ((url: string) => {
    asked.push(url)
    const reply = replies.shift() ?? { status: 200, body: { value: {} } }
    if (reply === 'lost') return Promise.reject(new TypeError('network'))
    return Promise.resolve({
      ok: reply.status < 400,
      status: reply.status,
      json: () => Promise.resolve(reply.body),
    })
  }) as unknown as typeof fetch
  return { asked, names: () => asked.map((url) => /photos\/([^?]+)/.exec(url)![1]) }
}
const show = () =>
  render(
    h(MayProvider, {
      steps: ['remove-photo'] as never,
      children: h(Photos, { view, assessmentId: 'a-1', writing: true }),
    }),
  )
const take = (...files: File[]) =>
  act(async () => {
    fireEvent.change(screen.getByLabelText('Take a photograph'), { target: { files } })
    for (let i = 0; i < 20; i++) await Promise.resolve()
  })
const LOST = /still on your device/

test('each picture has a name of its own, and says which examination it is of', async () => {
  const server = answers()
  show()
  await take(picture('a.jpg'), picture('b.jpg'))
  expect(new Set(server.names()).size).toBe(2)
  expect(server.asked[0]).toMatch(/tree=t-1&assessment=a-1$/)
})

test('one whose answer was lost is the same picture when it is taken in again', async () => {
  const server = answers('lost')
  show()
  await take(picture('a.jpg'), picture('b.jpg'))
  expect(screen.getByText(LOST)).toBeTruthy()
  // Nothing more is tried while nothing is in reach.
  expect(server.asked).toHaveLength(1)
  await take(picture('a.jpg'), picture('b.jpg'))
  const [lost, again, other] = server.names()
  expect(again).toBe(lost)
  expect(other).not.toBe(lost)
  expect(screen.queryByText(LOST)).toBeNull()
})

test('one that was answered is another picture when it is taken in once more', async () => {
  const refusal = { error: { code: 'bad-quantity', field: 'photo', message: 'This is no picture.' } }
  const server = answers({ status: 400, body: refusal })
  show()
  await take(picture('a.jpg'))
  expect(screen.getByText('This is no picture.')).toBeTruthy()
  await take(picture('a.jpg'))
  await take(picture('a.jpg'))
  expect(new Set(server.names()).size).toBe(3)
})
