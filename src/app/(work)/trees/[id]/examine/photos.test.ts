/** @jest-environment jsdom */
import 'fake-indexeddb/auto'
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h } from 'react'
import { forgetPhotoBox, openPhotoBox } from '@/ui/field/photoBox'
import { MayProvider } from '@/ui/shell/may'
import { Photos } from './Photos'

jest.mock('@/ui/field/smallPicture', () => ({ smallPicture: (file: Blob) => Promise.resolve(file) }))

const view = {
  tree: { id: 't-1', tag: 'A-7' },
  photos: [{ id: 'p-1', takenAt: 0, by: 'Maren' }],
  timeZone: 'UTC',
} as never
const picture = (name: string) => new File(['bytes'], name, { type: 'image/jpeg', lastModified: 5 })
let asked: string[] = []
let reach = true

beforeEach(async () => {
  asked = []
  reach = true
  URL.createObjectURL = () => 'blob:here'
  URL.revokeObjectURL = () => {}
  globalThis.fetch = (async (url: string) => {
    if (!reach) throw new TypeError('network')
    asked.push(url)
    return { ok: true, status: 200, json: async () => ({ value: {} }) }
  }) as unknown as typeof fetch
  forgetPhotoBox()
  await openPhotoBox('wren')
})
afterEach(() => forgetPhotoBox())

const show = (kept = true) =>
  render(
    h(MayProvider, {
      steps: ['remove-photo'] as never,
      children: h(Photos, { view, kept, writing: true, goingOn: () => 'a-1' }),
    }),
  )
const take = (...files: File[]) =>
  act(async () => {
    fireEvent.change(screen.getByLabelText('Take a photograph'), { target: { files } })
    await new Promise((resolve) => setTimeout(resolve, 60))
  })

test('each picture says which examination it is of, and stands among the others once it is taken', async () => {
  show()
  expect(screen.getAllByRole('img')).toHaveLength(1)
  await take(picture('a.jpg'), picture('b.jpg'))
  expect(asked).toHaveLength(2)
  expect(new Set(asked).size).toBe(2)
  expect(asked[0]).toMatch(/tree=t-1&assessment=a-1$/)
  expect(screen.getAllByRole('img')).toHaveLength(3)
  expect(screen.queryByText(/not sent yet/)).toBeNull()
})

test('without a signal it is on the device, and says so', async () => {
  reach = false
  show()
  await take(picture('a.jpg'))
  expect(screen.getByText('on this device, not sent yet')).toBeTruthy()
  expect(screen.getByRole('status').textContent).toMatch(/^1 not sent yet/)
})

test('a new examination shows none of the one before', () => {
  show(false)
  expect(screen.queryAllByRole('img')).toHaveLength(0)
})
