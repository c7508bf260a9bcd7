import { isHand } from '@/core/methods/names'
import { CARDS } from '../../demo/cards'
import { acts, putsOn } from '@/core/decide/way'
import { putOnMethod } from '@/core/methods/putOn'
import { CAUSES } from './causes'
import { PRACTICE } from './practice'
import { WAYS, waysOf } from './ways'

test('every cause has a way, and no way is of anything else', () => {
  expect(Object.keys(WAYS).sort()).toEqual(CAUSES.map((c) => c.id).sort())
})

test.each(CAUSES.map((c) => [c.id, c] as const))(
  '%s: no way is one that its class guard refuses',
  (id, cause) => {
    for (const way of waysOf(id)) {
      // What strengthens is no product that the guard knows.
      const kind =
        putsOn(way.method) && !way.kinds?.includes('biostimulant')
          ? putOnMethod(way.method).refusedAs
          : undefined
      // A class that one kind of tree bears is a way that names that kind.
      const bears = Object.entries(cause.bearsOn ?? {}).find(([, on]) => kind && on.includes(kind))
      if (bears) expect(way.on).toContain(bears[0])
      else expect([way.method, kind && cause.refuses[kind]]).toEqual([way.method, undefined])
    }
  },
)

test('where nothing works or is needed, no way puts anything on to end it', () => {
  for (const { id } of CAUSES)
    if (['no', 'not needed'].includes(PRACTICE[id]!.works))
      expect([id, waysOf(id).filter((w) => putsOn(w.method) && w.well === 'ends it')]).toEqual([id, []])
})

test('whatever a card on the shelf is for is a way of the almanac too', () => {
  const lacking = CARDS.flatMap(({ card }) =>
    card.uses.flatMap((use) =>
      use.targets
        // What the class guard closes anyway is no way; the card may name it all the same.
        .filter((t) => {
          const guard = isHand(use.method) ? undefined : putOnMethod(use.method).refusedAs
          const refused = guard && CAUSES.find((c) => c.id === t)?.refuses[guard]
          return !refused && WAYS[t] && !WAYS[t].some((w) => w.method === use.method)
        })
        .map((t) => `${card.code}: ${use.method} on ${t}`),
    ),
  )
  expect(lacking).toEqual([])
})

test('a sample, a look and a question are told to hold nothing down; a trained crew does', () => {
  const said = (cause: string) => waysOf(cause).map((w) => [w.method, acts(w)])
  expect(said('elm-yellows')).toContainEqual(['sample', false])
  expect(said('smooth-patch')).toEqual([['watch', false]])
  expect(said('butt-rot')).toEqual([['refer', false]])
  expect(said('processionary-moth')[0]).toEqual(['refer', true])
  expect(said('elm-yellows')).toContainEqual(['barrier', true])
})

test('the best way stands first', () => {
  expect(waysOf('nutrient-shortage').map((w) => w.well)).toEqual([
    'holds it down',
    'holds it down',
    'helps the tree bear it',
    'a stop-gap',
  ])
  expect(waysOf('a firm’s own')).toEqual([])
})
