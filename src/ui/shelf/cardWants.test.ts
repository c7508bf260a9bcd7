import { CARDS } from '../../../demo/cards'
import { blankCard, cardOf, pathsOf, typedOf } from './cardText'
import { lineAt, wantsOf } from './cardWants'

const { card } = CARDS.find((c) => c.card.code === 'SD2')!
const wants = (typed: ReturnType<typeof typedOf>) => wantsOf(cardOf(typed), typed)

test('a whole card wants nothing; a blank one is told every line it must have', async () => {
  for (const c of CARDS) expect(await wants(typedOf(c.card))).toEqual({})
  const blank = await wants(blankCard())
  expect(Object.keys(blank)).toEqual(
    expect.arrayContaining(['code', 'name', 'uses[0].targets', 'uses[0].terms.rate.low']),
  )
  expect(new Set(Object.values(blank))).toContain('Nothing is written here yet; copy it from the label.')
})

test('each want stands at its line, in the words of the rule', async () => {
  const typed = {
    ...typedOf(card),
    code: 'sd2',
    'uses[1].terms.rate.low': '1 in',
    'uses[0].terms.water': '50 in: a lot',
  }
  expect(await wants(typed)).toEqual({
    code: expect.stringMatching(/capital letters/),
    'uses[1].terms.rate.low': expect.stringMatching(/^.{10,}\.$/),
    'uses[0].terms.water': expect.stringMatching(/^.{10,}\.$/),
  })
})

test('a line keeps its place when a use before it was taken off', async () => {
  const typed = Object.fromEntries(
    Object.entries(typedOf(card)).filter(([path]) => !path.startsWith('uses[0]')),
  )
  expect(await wants({ ...typed, 'uses[1].waterCaution': '' })).toEqual({
    'uses[1].waterCaution': expect.stringMatching(/^Nothing is written/),
  })
  expect(lineAt('card.uses[0].targets[3]', typed)).toBe('uses[1].targets')
  expect(lineAt('card', typed)).toBe('')
})

test('a want that has no line is told at the foot, and every want is told somewhere', async () => {
  const bare = Object.fromEntries(
    Object.entries(typedOf(card)).filter(([path]) => !path.startsWith('actives')),
  )
  expect(await wants(bare)).toEqual({ '': 'A label names what is in it.' })
  const capsules = CARDS.find((c) => c.card.code === 'IC3')!.card
  const neither = {
    ...typedOf(capsules),
    'uses[0].terms.capsule.volume': '',
    'uses[0].terms.capsule.maxPerInch': '',
  }
  expect(await wants(neither)).toEqual({
    'uses[0].terms.ratePerInch.low': expect.stringMatching(/^Give either a rate per inch or a capsule/),
  })
  for (const c of CARDS)
    for (const path of pathsOf(typedOf(c.card))) {
      const without = { ...typedOf(c.card), [path]: '' }
      for (const line of Object.keys(await wants(without))) expect(['', ...pathsOf(without)]).toContain(line)
    }
})
