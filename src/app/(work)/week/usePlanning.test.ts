/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react'
import { ReadableStream, TextDecoderStream } from 'node:stream/web'
import { TextEncoder } from 'node:util'
import type { WeekPlan } from '@/core/week/planWeek'
import type { WeekLine } from '@/server/read/week'
import { usePlanning } from './usePlanning'

Object.assign(globalThis, { TextDecoderStream })

/** A server whose lines come as they are let go, and break where they break. */
function speaking() {
  let control!: ReadableStreamDefaultController<Uint8Array>
  const body = new ReadableStream<Uint8Array>({ start: (c) => void (control = c) })
  const asked: { url: string; signal: AbortSignal }[] = []
  globalThis.fetch = ((url: string, { signal }: { signal: AbortSignal }) => {
    asked.push({ url, signal })
    signal.addEventListener('abort', () => {
      try {
        control.error(new Error('aborted'))
      } catch {
        // It had ended.
      }
    })
    return Promise.resolve({ ok: true, body })
  }) as unknown as typeof fetch
  const settle = () => act(() => new Promise<void>((done) => setTimeout(done, 5)))
  return {
    asked,
    says: async (text: string) => {
      control.enqueue(new TextEncoder().encode(text))
      await settle()
    },
    ends: async () => {
      control.close()
      await settle()
    },
    breaks: async () => {
      control.error(new Error('the line broke'))
      await settle()
    },
  }
}
type ReadableStreamDefaultController<T> = {
  enqueue: (chunk: T) => void
  close: () => void
  error: (error: Error) => void
}

const plan = (objective: number) => ({ objective, assignments: [] }) as unknown as WeekPlan
const line = (l: object) => `${JSON.stringify(l satisfies object as WeekLine)}\n`
function open() {
  const heard: { days: unknown[]; plans: number[] } = { days: [], plans: [] }
  const hook = renderHook(() =>
    usePlanning({
      days: (d) => heard.days.push(d),
      plan: (p) => heard.plans.push(p.objective),
    }),
  )
  return { ...hook, heard }
}

test('every better plan is heard, however its lines are cut, until the last', async () => {
  const server = speaking()
  const { result, heard } = open()
  await act(async () => void result.current.start(false))
  expect(result.current.running).toBe(true)
  await server.says(line({ kind: 'looking', sites: 2, of: 7 }))
  expect(result.current.looking).toMatchObject({ sites: 2, of: 7 })
  await server.says(line({ kind: 'days', days: [{ stop: 'a', days: [] }] }))
  expect(result.current.looking).toBeNull()
  expect(heard.days).toHaveLength(1)
  const text = line({ kind: 'plan', plan: plan(9), seconds: 1, done: false })
  await server.says(text.slice(0, 11))
  expect(heard.plans).toEqual([])
  await server.says(
    text.slice(11) + line({ kind: 'plan', plan: plan(7), seconds: 2, done: false }).slice(0, 4),
  )
  expect(heard.plans).toEqual([9])
  await server.says(line({ kind: 'plan', plan: plan(7), seconds: 2, done: false }).slice(4))
  // The last line may come without its end.
  await server.says(line({ kind: 'plan', plan: plan(5), seconds: 3, done: true }).trimEnd())
  await server.ends()
  expect(heard.plans).toEqual([9, 7, 5])
  expect(result.current).toMatchObject({ running: false, seconds: 3, problem: null })
})

test('a line that breaks keeps the best plan so far and says so', async () => {
  const server = speaking()
  const { result, heard } = open()
  await act(async () => void result.current.start(true))
  expect(server.asked[0]!.url).toBe('/api/week/plan?anew')
  await server.says(line({ kind: 'plan', plan: plan(9), seconds: 1, done: false }))
  await server.breaks()
  expect(heard.plans).toEqual([9])
  expect(result.current).toMatchObject({
    running: false,
    plan: { objective: 9 },
    problem: { field: 'connection', message: expect.stringContaining('is still here') as string },
  })
})

test('who stops hangs up, keeps what there is, and is told of no trouble', async () => {
  const server = speaking()
  const { result } = open()
  await act(async () => void result.current.start(false))
  await server.says(line({ kind: 'plan', plan: plan(9), seconds: 1, done: false }))
  await act(async () => {
    result.current.stop()
    await new Promise<void>((done) => setTimeout(done, 5))
  })
  expect(server.asked[0]!.signal.aborted).toBe(true)
  expect(result.current).toMatchObject({ running: false, plan: { objective: 9 }, problem: null })
})

test('leaving the page hangs up', async () => {
  const server = speaking()
  const { result, unmount } = open()
  await act(async () => void result.current.start(false))
  unmount()
  expect(server.asked[0]!.signal.aborted).toBe(true)
})

test('a refusal is told as it came', async () => {
  globalThis.fetch = (() =>
    Promise.resolve({
      ok: false,
      json: () => Promise.resolve({ error: { code: 'conflict', field: 'week', message: 'Six wait.' } }),
    })) as unknown as typeof fetch
  const { result } = open()
  await act(async () => result.current.start(false))
  expect(result.current).toMatchObject({ running: false, plan: null, problem: { message: 'Six wait.' } })
})
