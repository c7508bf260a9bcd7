import { CAUSES } from './causes'
import { HOSTS } from './hosts'
import { entriesCalled } from './called'

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
