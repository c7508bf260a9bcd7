/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h, useState } from 'react'
import type { RingMark } from '@/core/ports/marks'
import { fakeServer } from '@/ui/fields/server.testing'
import { MayProvider } from '@/ui/shell/may'
import { RingPanel } from './RingPanel'

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }))

const dead = (from: number, to: number): RingMark => ({ kind: 'dead', from, to, notedOn: '2026-06-12' })
const view = { tree: { id: 't-1', version: 3 }, today: '2026-06-15', marks: [] } as never

function Panel() {
  const [marks, onMarks] = useState<RingMark[]>([dead(40, 90)])
  return h(RingPanel, {
    view,
    mode: 'marks',
    marks,
    onMarks,
    chosen: null,
    onChoose: () => {},
    dirty: true,
    bearings: [],
    best: [],
    plan: null,
    refusal: null,
    onMove: () => {},
    onPutBack: () => {},
  })
}

const OVERTAKEN = 'Somebody else changed this tree while you had it open.'
const theirs = { version: 5, marks: [dead(200, 230)] }

function begin(...replies: Parameters<ReturnType<typeof fakeServer>['reply']>) {
  const server = fakeServer()
  server.reply(...replies)
  render(h(MayProvider, { steps: ['save-ring'] as never, children: h(Panel) }))
  return server
}
const press = (name: string) =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name }))
    await Promise.resolve()
  })
const overtaken = {
  status: 409,
  body: { error: { code: 'conflict', field: 'version', message: 'It was changed.' } },
}

test('a ring that was lost on the way is nobody else’s doing, and is sent again as the same press', async () => {
  const server = begin('lost', { body: { value: { version: 4 } } })
  await press('Save the ring')
  expect(screen.queryByText(OVERTAKEN)).toBeNull()
  expect(screen.getByText(/server cannot be reached/)).toBeTruthy()
  await press('Save the ring')
  expect(server.asked[1]).toEqual(server.asked[0])
})

test('nor is another refusal', async () => {
  begin({
    status: 409,
    body: { error: { code: 'conflict', field: 'marks', message: 'The work has begun.' } },
  })
  await press('Save the ring')
  expect(screen.queryByText(OVERTAKEN)).toBeNull()
  expect(screen.getByText('The work has begun.')).toBeTruthy()
})

test('changed by somebody else, both are shown; mine is kept over theirs', async () => {
  const server = begin(
    overtaken,
    { body: { value: theirs } },
    { body: { value: theirs } },
    { body: { value: { version: 6 } } },
  )
  await press('Save the ring')
  expect(screen.getByText(OVERTAKEN)).toBeTruthy()
  await press('See both')
  expect(screen.getByText('dead 200°–230°')).toBeTruthy()
  expect(screen.getByText('dead 40°–90°')).toBeTruthy()
  await press('Keep mine')
  expect(server.asked.at(-1)!.body).toMatchObject({ version: 5, marks: [{ from: 40, to: 90 }] })
})

test('or theirs is taken, and saved from there on', async () => {
  const server = begin(overtaken, { body: { value: theirs } }, { body: { value: { version: 6 } } })
  await press('Save the ring')
  await press('See both')
  await press('Take theirs')
  expect(screen.queryByText(OVERTAKEN)).toBeNull()
  await press('Save the ring')
  expect(server.asked.at(-1)!.body).toMatchObject({ version: 5, marks: [{ from: 200, to: 230 }] })
})

test('theirs that cannot be had is said, and mine stays', async () => {
  begin(overtaken, 'lost', { body: { value: theirs } })
  await press('Save the ring')
  await press('See both')
  expect(screen.getByText(/cannot be had just now/)).toBeTruthy()
  await press('See both')
  expect(screen.queryByText(/cannot be had just now/)).toBeNull()
  expect(screen.getByText('dead 200°–230°')).toBeTruthy()
})
