/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import type { PageOfTrees } from '@/server/read/grounds'
import { fakeServer, later } from '@/ui/fields/server.testing'
import { useTreeList } from './useTreeList'

jest.useFakeTimers()
let server: ReturnType<typeof fakeServer>
beforeEach(() => {
  server = fakeServer()
})

const tree = (tag: string, diameterM: number | null = 0.4) =>
  ({ id: `id-${tag}`, tag, diameterM, liveCrownPercent: 80 }) as PageOfTrees['trees'][number]
const page = (tags: string[], more: boolean, total: number | null = 400): PageOfTrees => ({
  trees: tags.map((t) => tree(t)),
  more,
  total,
})
const open = (first: PageOfTrees) => renderHook(() => useTreeList('site', first)).result
/** What was asked for, as its address says it. */
const asked = () => server.asked.map((a) => Object.fromEntries(new URLSearchParams(a.url.split('?')[1])))
const wait = (ms: number) => act(() => jest.advanceTimersByTimeAsync(ms))

test('a site that came whole is never asked about again', async () => {
  const list = open(page(['A'], false))
  act(() => list.current.setFilter({ text: 'ash', stage: '', order: 'tag' }))
  await wait(500)
  act(() => list.current.next())
  expect(list.current.whole).toBe(true)
  expect(server.asked).toHaveLength(0)
})

test('typing is asked for once the hand rests', async () => {
  const list = open(page(['A'], true))
  server.reply({ body: { value: page(['X'], false, 1) } })
  for (const text of ['a', 'as', 'ash ']) {
    act(() => list.current.setFilter({ text, stage: 'decide', order: 'crown' }))
    await wait(60)
  }
  expect(server.asked).toHaveLength(0)
  await wait(120)
  expect(asked()).toEqual([{ text: 'ash', stage: 'decide', order: 'crown' }])
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['X'])
  expect(list.current.state).toBe('there')
})

test('the next page goes on behind the last tree, by the key of the order, and keeps the total', async () => {
  const list = open(page(['A', 'B'], true))
  act(() => list.current.setFilter({ text: '', stage: '', order: 'girth' }))
  server.reply({ body: { value: page(['B', 'A'], true) } })
  await wait(150)
  server.reply({ body: { value: page(['C'], false, null) } })
  act(() => list.current.next())
  // Scrolling on while it comes asks no second time.
  act(() => list.current.next())
  await wait(1)
  expect(asked().slice(1)).toEqual([{ order: 'girth', key: '-0.4', after: 'A', id: 'id-A' }])
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['B', 'A', 'C'])
  expect(list.current.page.total).toBe(400)
  act(() => list.current.next())
  expect(server.asked).toHaveLength(2)
})

test('out of reach the list stays and says so; the next typing asks again', async () => {
  const list = open(page(['A'], true))
  server.reply('lost')
  act(() => list.current.setFilter({ text: 'x', stage: '', order: 'tag' }))
  await wait(150)
  expect(list.current.state).toBe('out of reach')
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['A'])
  server.reply({ body: { value: page([], false, 0) } })
  act(() => list.current.setFilter({ text: 'xy', stage: '', order: 'tag' }))
  await wait(150)
  expect(list.current.state).toBe('there')
})

test('an answer that is overtaken by newer typing is let go', async () => {
  const list = open(page(['A'], true))
  const slow = later<{ body: unknown }>()
  server.reply(slow.promise, { body: { value: page(['NEW'], false, 1) } })
  act(() => list.current.setFilter({ text: 'o', stage: '', order: 'tag' }))
  await wait(150)
  act(() => list.current.setFilter({ text: 'n', stage: '', order: 'tag' }))
  await wait(150)
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['NEW'])
  slow.letGo({ body: { value: page(['OLD'], false, 1) } })
  await wait(10)
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['NEW'])
})

test('a refusal leaves the list as it is and says that more cannot be had', async () => {
  const list = open(page(['A', 'B'], true))
  // Signed out meanwhile, on another device.
  server.reply({
    status: 401,
    body: { error: { code: 'not-allowed', field: 'session', message: 'Sign in.' } },
  })
  act(() => list.current.setFilter({ text: 'ash', stage: '', order: 'tag' }))
  await wait(200)
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['A', 'B'])
  expect(list.current.state).toBe('out of reach')
  server.reply({ body: { value: page(['C'], false, 1) } })
  act(() => list.current.setFilter({ text: 'ash 1', stage: '', order: 'tag' }))
  await wait(200)
  expect(list.current.page.trees.map((t) => t.tag)).toEqual(['C'])
  expect(list.current.state).toBe('there')
})
