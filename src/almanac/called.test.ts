import { CAUSES } from './causes'
import { HOSTS } from './hosts'
import { entriesCalled } from './called'
import type { OwnEntry } from './ownEntry'

test.each([
  ['EAB', 'emerald-ash-borer'],
  ['hwa', 'hemlock-woolly-adelgid'],
  ['sooty mold', 'sooty-mould'],
  ['Sooty mould', 'sooty-mould'],
  ['gypsy moth', 'spongy-moth'],
  ['red oak', 'oak-red-group'],
  ['Quercus palustris', 'oak-red-group'],
  ['tilia', 'linden'],
  ['dutch elm disease', 'dutch-elm-disease'],
  ['agrilus planipennis', 'emerald-ash-borer'],
])('%s leads to %s', (text, id) => expect(entriesCalled(text)[0]?.id).toBe(id))

test('every entry is found by its own name, and nothing by nothing', () => {
  for (const x of [...CAUSES, ...HOSTS])
    expect([x.name, entriesCalled(x.name, 20).some((e) => e.id === x.id)]).toEqual([x.name, true])
  expect(entriesCalled('  ')).toEqual([])
  expect(entriesCalled('zzzz')).toEqual([])
})

test('what a firm has added is found like any other entry, by nobody else', () => {
  const own: OwnEntry[] = [
    {
      kind: 'finding',
      id: 'own-quay-rings',
      name: 'Quay rings',
      question: 'Rings?',
      place: 'leaf',
      minutes: 1,
    },
    { kind: 'host', id: 'own-quay-oak', name: 'Quay oak', botanical: 'Quercus portus', edible: false },
  ]
  expect(entriesCalled('quercus portus', 6, own)[0]).toMatchObject({ kind: 'host', id: 'own-quay-oak' })
  expect(entriesCalled('quay rings', 6, own)[0]).toMatchObject({ kind: 'finding', id: 'own-quay-rings' })
  expect(entriesCalled('quay')).toEqual([])
})
