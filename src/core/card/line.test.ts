import { CARDS } from '../../../demo/cards'
import { Card } from './card'
import { lineBefore, linesOf, neverReached, sayLine, type LineOf } from './line'

const line = (more: Partial<LineOf>): LineOf => ({
  method: 'soil-drench',
  hosts: 'any',
  targets: ['soft-scale'],
  terms: {},
  ...more,
})
const ash = line({ hosts: ['ash'], targets: ['emerald-ash-borer'] })
const borers = line({ hosts: 'any', notOn: ['birch'], targets: ['emerald-ash-borer', 'bronze-birch-borer'] })
const at = (host: string, cause: string) => ({ host, cause })

test('work falls to the first line of a card that fits its tree and cause', () => {
  const second = linesOf([ash, borers], 1)
  expect(second.n).toBe(2)
  expect(sayLine(second)).toBe('line 2')
  expect(lineBefore(second, at('ash', 'emerald-ash-borer'))).toBe(1)
  expect(lineBefore(second, at('ash', 'bronze-birch-borer'))).toBeNull()
  expect(lineBefore(second, at('oak', 'emerald-ash-borer'))).toBeNull()
  expect(lineBefore(linesOf([ash, borers], 0), at('ash', 'emerald-ash-borer'))).toBeNull()
  // What the first leaves out falls to the next that does not.
  const left = linesOf([borers, line({ targets: ['bronze-birch-borer'] })], 1)
  expect(lineBefore(left, at('birch', 'bronze-birch-borer'))).toBeNull()
  expect(lineBefore(left, at('oak', 'bronze-birch-borer'))).toBe(1)
})

test('another method, window or kind of spray is other work and no line', () => {
  const others = [
    line({}),
    line({ method: 'soil-injection' }),
    line({ window: '1 Apr to 1 May' }),
    line({ method: 'crown-spray', terms: { kind: 'oil', when: 'dormant' } }),
    line({ method: 'crown-spray', terms: { kind: 'oil', when: 'in leaf' } }),
    line({ method: 'prune' }),
    line({ method: 'prune' }),
  ]
  for (const i of others.keys()) {
    const only = linesOf(others, i)
    expect(lineBefore(only, at('oak', 'soft-scale'))).toBeNull()
    if (i < 5) expect(sayLine(only)).toBe('')
  }
})

test('a line to which nothing can fall is refused, by its place', () => {
  expect(neverReached([ash, borers])).toBeNull()
  expect(neverReached([borers, ash])).toEqual({ use: 1, before: 0 })
  expect(
    neverReached([borers, line({ hosts: ['birch', 'oak'], targets: ['bronze-birch-borer'] })]),
  ).toBeNull()
  const card = structuredClone(CARDS.find((c) => c.card.code === 'SD2')!.card)
  const twice = { ...card, uses: [card.uses[0]!, { ...card.uses[0]!, hosts: ['ash'] }] }
  const issue = Card.safeParse(twice).error!.issues[0]!
  expect(issue.path).toEqual(['uses', 1, 'targets'])
  expect(issue.message).toMatch(/use 1 takes the same trees and causes first/)
})
