/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from '@testing-library/react'
import { createElement as h, useState } from 'react'
import type { TypedPlace } from '@/core/place/place'
import { formsHold } from '@/ui/fields/form.testing'
import { fakeServer } from '@/ui/fields/server.testing'
import { MayProvider } from '@/ui/shell/may'
import { DistrictForm } from './[site]/DistrictForm'
import { Limits } from './[site]/limits/Limits'
import { MoveTree } from './[site]/MoveTree'
import { NameBlock } from './[site]/NameBlock'
import { NewTree } from './[site]/NewTree'
import { Seen } from './[site]/season/Seen'
import { SiteSpot } from './[site]/season/SiteSpot'
import { HoursForm } from './[site]/HoursForm'

jest.mock('next/navigation', () => ({ useRouter: () => ({ push: jest.fn(), refresh: jest.fn() }) }))
jest.mock('@/ui/pieces/Link', () => ({ Link: 'a' }))

const nothing = () => {}
const site = { id: 's-1', name: 'Rowan Court', hours: null, district: null, areaM2: null }

/** The page keeps what is typed of a new tree; here it is kept as the page does. */
function NewTreeKept() {
  const [place, onPlace] = useState<TypedPlace>({ east: '', north: '' })
  const [typed, setTyped] = useState({ tag: '', host: '', note: '' })
  return h(NewTree, {
    siteId: 's-1',
    ownHosts: [],
    units: 'us',
    corner: null,
    place,
    onPlace,
    typed,
    onTyped: (part) => setTyped((t) => ({ ...t, ...part })),
    onDone: nothing,
  })
}
function MoveTreeKept() {
  const [place, onPlace] = useState<TypedPlace>({ east: '', north: '' })
  return h(MoveTree, {
    tree: { id: 't-1', tag: 'Ash 1', version: 3 } as never,
    units: 'us',
    corner: null,
    place,
    onPlace,
  })
}

const limits = {
  site,
  units: 'us',
  corner: null,
  year: 2026,
  today: '2026-06-15',
  years: [2026],
  grounds: [],
  others: [],
  actives: ['imidacloprid', 'captan'],
} as never
const season = {
  site,
  today: '2026-06-15',
  weather: { place: { own: false }, madeUp: true },
  stages: [{ kind: 'apple', name: 'Apple', seen: [] }],
  targets: [{ id: 'oystershell-scale-crawlers', name: 'Oystershell scale, crawlers', seen: null }],
} as never

formsHold([
  {
    name: 'a new tree',
    draw: () => h(NewTreeKept),
    verb: 'add-tree',
    type: {
      Tag: 'Ash 18',
      'Kind, as far as you can tell now': 'ash',
      'East, ft': '20',
      'North, ft': '10',
      'Note, if any': 'by the gate',
    },
    press: 'Add and measure →',
    sends: { siteId: 's-1', tag: 'Ash 18', host: 'ash', note: 'by the gate', eastM: 6.096, northM: 3.048 },
    names: 'id',
    beside: {
      tag: 'Tag',
      host: 'Kind, as far as you can tell now',
      eastM: 'East, ft',
      northM: 'North, ft',
      note: 'Note, if any',
    },
    atForm: ['siteId'],
    answer: { id: 't-9' },
  },
  {
    name: 'a tree is put where it stands',
    draw: () => h(MoveTreeKept),
    verb: 'move-tree',
    type: { 'East, ft': '30', 'North, ft': '40' },
    press: 'Keep this place →',
    sends: { treeId: 't-1', version: 3, eastM: 9.144, northM: 12.192 },
    beside: { eastM: 'East, ft', northM: 'North, ft' },
    atForm: ['version'],
  },
  {
    name: 'trees are named as a block',
    draw: () => h(NameBlock, { siteId: 's-1', treeIds: ['t-1', 't-2'], onDone: nothing }),
    verb: 'set-block',
    open: ['Name as a block'],
    type: { 'Name of the block of 2': 'Bank A' },
    press: 'Keep the name',
    sends: { siteId: 's-1', treeIds: ['t-1', 't-2'], name: 'Bank A' },
    beside: { name: 'Name of the block of 2' },
    atForm: ['treeIds'],
  },
  {
    name: 'the block is taken off trees',
    draw: () => h(NameBlock, { siteId: 's-1', treeIds: ['t-1'], onDone: nothing }),
    verb: 'set-block',
    open: ['Name as a block'],
    type: {},
    press: 'No block',
    sends: { treeIds: ['t-1'], name: null },
    atForm: ['treeIds'],
  },
  {
    name: 'hours in which work may be done',
    draw: () => h(HoursForm, { site: site as never, onLeave: nothing }),
    verb: 'set-site-hours',
    type: { 'When work may be done here (empty: any time)': 'Mon to Fri 05:30 to 07:40' },
    press: 'Keep it',
    sends: { siteId: 's-1', hours: 'Mon to Fri 05:30 to 07:40' },
    beside: { hours: 'When work may be done here (empty: any time)' },
  },
  {
    name: 'the district a site lies in',
    draw: () => h(DistrictForm, { site: site as never, onLeave: nothing }),
    verb: 'set-district',
    type: { 'District (empty: none)': ' Wick County ' },
    press: 'Keep it',
    sends: { siteId: 's-1', district: ' Wick County ' },
    atForm: ['district'],
  },
  {
    name: 'where a site lies',
    draw: () => h(SiteSpot, { view: season }),
    verb: 'place-site',
    open: ['Say where it lies'],
    type: { 'Latitude, such as 42.31': '42,31', 'Longitude, such as 75.22 W': '75.22 W' },
    press: 'Keep it',
    sends: { siteId: 's-1', spot: { latitude: '42,31', longitude: '75.22 W' } },
    beside: {
      'spot.latitude': 'Latitude, such as 42.31',
      'spot.longitude': 'Longitude, such as 75.22 W',
    },
  },
  {
    name: 'a stage that was seen',
    draw: () => h(Seen, { view: season }),
    verb: 'see-stage',
    type: { 'Seen on the ground': 'apple', Stage: 'petal fall', 'Seen on': '2026-06-12' },
    press: 'It was seen',
    sends: { siteId: 's-1', kind: 'apple', stage: 'petal fall', on: '2026-06-12' },
    names: 'id',
    beside: { kind: 'Seen on the ground', stage: 'Stage', on: 'Seen on' },
    atForm: ['siteId'],
  },
  {
    name: 'a first one that was seen',
    draw: () => h(Seen, { view: season }),
    verb: 'see-stage',
    type: { 'Seen on the ground': 'oystershell-scale-crawlers', 'Seen on': '2026-06-12' },
    press: 'It was seen',
    sends: { kind: 'oystershell-scale-crawlers', on: '2026-06-12' },
    // It has no choice of stages to be told at.
    atForm: ['stage'],
  },
  {
    name: 'what somebody else put on',
    draw: () => h(Limits, { view: limits }),
    verb: 'note-applied',
    type: {
      Active: 'captan',
      'How much of the active, lb': '1 1/2',
      Day: '2026-05-02',
      'How it is known': 'a receipt',
    },
    press: 'It counts here',
    sends: { siteId: 's-1', active: 'captan', amount: '1 1/2', onDate: '2026-05-02', source: 'a receipt' },
    names: 'id',
    beside: {
      active: 'Active',
      amount: 'How much of the active, lb',
      onDate: 'Day',
      source: 'How it is known',
    },
    atForm: ['siteId'],
  },
  {
    name: 'how large a ground is',
    draw: () => h(Limits, { view: limits }),
    verb: 'set-area',
    type: { 'How large it is, acre': '2.5' },
    press: 'Enter it',
    sends: { siteId: 's-1', area: '2.5' },
    beside: { area: 'How large it is, acre' },
  },
])

test('letters where degrees are meant are told beside their input, and nothing is sent', async () => {
  const server = fakeServer()
  render(
    h(MayProvider, { steps: { includes: () => true } as never, children: h(SiteSpot, { view: season }) }),
  )
  fireEvent.click(screen.getByRole('button', { name: 'Say where it lies' }))
  fireEvent.change(screen.getByLabelText('Latitude, such as 42.31'), { target: { value: 'north' } })
  fireEvent.change(screen.getByLabelText('Longitude, such as 75.22 W'), { target: { value: '75.22 N' } })
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'Keep it' })))
  expect(screen.getByText('Latitude: type degrees such as 42.31, from −90 to 90.')).toBeTruthy()
  expect(screen.getByText('Longitude: type degrees such as 42.31, from −180 to 180.')).toBeTruthy()
  expect(server.asked).toEqual([])
})
