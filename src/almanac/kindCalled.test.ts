import { HOSTS } from './hosts'
import { kindCalled } from './kindCalled'

test('every kind is known by both its names', () => {
  for (const h of HOSTS) {
    expect([h.name, kindCalled(h.name)]).toEqual([h.name, h.id])
    for (const botanical of h.botanical.split(', '))
      // A family or a genus that holds several kinds says none of them.
      if (!/^(Arecaceae|Quercus|Olea)/.test(botanical) && !botanical.startsWith('P. '))
        expect([botanical, kindCalled(botanical)]).toEqual([botanical, h.id])
  }
})

test.each<[string, string | null]>([
  ['Maple, Red', 'maple.red'],
  ['Acer rubrum ‘October Glory’', 'maple.red'],
  ['ACER SACCHARINUM', 'maple'],
  ['Fraxinus pennsylvanica', 'ash'],
  ['Green Ash', 'ash'],
  ['Mountain-ash', 'mountain-ash'],
  ['Sorbus aucuparia', 'mountain-ash'],
  ['Prickly ash', null],
  ['Oak - Pin', 'oak-red-group'],
  ['Quercus bicolor', 'oak-white-group'],
  ['Southern Live Oak', 'oak-live'],
  ['Coast live oak', 'oak-red-group'],
  ['Quercus', null],
  ['Oak', null],
  ['Tulip poplar', 'tuliptree'],
  ['Bald cypress', null],
  ['Taxodium distichum', null],
  ['Osage orange', null],
  ['Phellodendron amurense', null],
  ['Amur corktree', null],
  ['Prunus serrulata', 'cherry'],
  ['Callery pear', 'pear'],
  ['Eastern redcedar', 'juniper'],
  ['Western red cedar', 'arborvitae'],
  ['Tilia sp.', 'linden'],
  ['Platanus × acerifolia', 'sycamore'],
  ['Betula nigra', 'birch.river'],
  ['', null],
  ['???', null],
])('%s is %s', (written, kind) => expect(kindCalled(written)).toBe(kind))

test('the firm’s own kinds come first', () => {
  const own = [{ id: 'own-corktree', name: 'Amur corktree', botanical: 'Phellodendron amurense' }]
  expect(kindCalled('phellodendron AMURENSE', own)).toBe('own-corktree')
})
