import { CARDS, useOf } from '../../../demo/cards'
import { toSI } from '../quantity/units'
import { weatherDeviations } from './weatherDeviations'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const captan = useOf(card('CP4'), 'crown-spray')
const at = (wind: number, degrees: number) => ({ wind: toSI(wind, 'mph'), temperature: toSI(degrees, 'F') })

test('what the card allows is no deviation, to its very ends', () => {
  for (const [wind, degrees] of [
    [6, 66],
    [2, 45],
    [10, 85],
  ] as const)
    expect(weatherDeviations(captan, at(wind, degrees), 'us')).toEqual([])
  expect(weatherDeviations(useOf(card('SD2'), 'soil-drench'), at(40, 110), 'us')).toEqual([])
})

test('what lies outside is written with both figures', () => {
  expect(weatherDeviations(captan, at(15, 66), 'us')).toEqual(['Wind 15 mph, of at most 10 mph on the card.'])
  expect(weatherDeviations(captan, at(1, 91), 'us')).toEqual([
    'Wind 1 mph, of at least 2 mph on the card.',
    expect.stringMatching(/^Air 91 °F, of at most 85 °F/),
  ])
  expect(weatherDeviations(useOf(card('EB4'), 'trunk-injection'), at(30, 40), 'us')).toEqual([
    expect.stringMatching(/^Air 40 °F, of at least 45 °F/),
  ])
})
