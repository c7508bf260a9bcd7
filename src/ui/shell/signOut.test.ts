/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { fakeServer, later } from '../fields/server.testing'
import { SignOut } from './SignOut'

const replace = jest.fn()
jest.mock('next/navigation', () => ({ useRouter: () => ({ replace, refresh: jest.fn() }) }))

const press = () =>
  act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Sign out' }))
    await Promise.resolve()
  })

test('leads to the sign-in once the server has heard of it', async () => {
  const server = fakeServer()
  render(h(SignOut))
  await press()
  expect(server.asked.map((a) => a.url)).toEqual(['/api/sign-out'])
  expect(replace).toHaveBeenCalledWith('/sign-in')
})

test.each([['lost' as const], [{ status: 503, body: {} }]])(
  'whoever is still signed in is told so, and can press again',
  async (reply) => {
    replace.mockClear()
    const server = fakeServer()
    server.reply(reply)
    render(h(SignOut))
    await press()
    expect(screen.getByRole('alert').textContent).toMatch(/^Still signed in/)
    expect(replace).not.toHaveBeenCalled()
    await press()
    expect(screen.getByRole('alert').textContent).toBe('')
    expect(replace).toHaveBeenCalledTimes(1)
  },
)

test('a second press while it runs does nothing', async () => {
  const server = fakeServer()
  const answer = later<{ body: unknown }>()
  server.reply(answer.promise)
  render(h(SignOut))
  await press()
  await press()
  expect(server.asked).toHaveLength(1)
  await act(async () => answer.letGo({ body: { value: true } }))
})
