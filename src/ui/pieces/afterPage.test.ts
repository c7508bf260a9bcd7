/** @jest-environment jsdom */
import { createElement as h, type ComponentType } from 'react'
import { renderToString } from 'react-dom/server'
import { act, fireEvent, render, screen } from '@testing-library/react'
import { afterPage, withPage } from './afterPage'

const Form = ({ name }: { name: string }) => h('button', null, `Keep ${name}`)

beforeEach(() => jest.spyOn(console, 'error').mockImplementation(() => {}))
afterEach(() => jest.restoreAllMocks())

test('what opens on a press is fetched once the page rests, before anybody asks for it', async () => {
  jest.useFakeTimers()
  const load = jest.fn(() => Promise.resolve({ Form }))
  const Later = afterPage(load, 'Form')
  expect(load).not.toHaveBeenCalled()
  jest.runAllTimers()
  expect(load).toHaveBeenCalledTimes(1)
  jest.useRealTimers()
  await act(async () => {
    render(h(Later, { name: 'the crew' }))
    await Promise.resolve()
  })
  expect(screen.getByRole('button', { name: 'Keep the crew' })).toBeTruthy()
})

test('a part that did not come says so in its place, and is fetched again by one press', async () => {
  const lost = Object.assign(new Error('Loading chunk 7 failed.'), { name: 'ChunkLoadError' })
  const load = jest.fn(() => Promise.resolve({ Form }))
  load.mockRejectedValueOnce(lost)
  const Later = afterPage(load, 'Form')
  await act(async () => {
    render(h(Later, { name: 'the crew' }))
    await Promise.resolve()
  })
  expect(screen.getByRole('alert').textContent).toMatch(/did not come: there is no connection/)
  await act(async () => {
    fireEvent.click(screen.getByRole('button', { name: 'Fetch it again' }))
    await Promise.resolve()
  })
  expect(screen.getByRole('button', { name: 'Keep the crew' })).toBeTruthy()
})

test('an error of the part itself is the page’s to say', () => {
  const Broken: ComponentType<object> = () => {
    throw new Error('no such tree')
  }
  const Part = withPage(() => Broken)
  expect(() => render(h(Part))).toThrow('no such tree')
})

test('what the server drew takes no press before it can answer one', () => {
  const Part = withPage(() => Form)
  expect(renderToString(h(Part, { name: 'it' }))).toMatch(/inert/)
  render(h(Part, { name: 'it' }))
  expect(screen.getByRole('button', { name: 'Keep it' }).closest('[inert]')).toBeNull()
})
