import { addDays } from '@/core/time/calendar'
import { byHand, decided } from './signed'
import { idFor, type Story } from './story'

const tag = (n: number) => `Elm ${String(n).padStart(2, '0')}`

/** The avenue’s pressed soil is loosened at ten elms, and five that were planted too deep are opened, next week. */
export async function avenueWork(story: Story, today: string): Promise<void> {
  const pressed = []
  for (const n of [3, 5, 7, 9, 11, 13, 15, 17, 19, 21])
    pressed.push(
      await decided(
        story,
        tag(n),
        3,
        { 'soil-hard': 'there', 'crown-thin-even': 'there', 'grade-or-dig-recent': 'there' },
        'soil-compaction',
        'care',
        { words: 'Spokes before the heat.', due: addDays(today, 40) },
      ),
    )
  await story.do('maren', 2, 'hand-to-crew', {
    id: idFor('rx avenue soil'),
    items: [byHand('HC-SPOKES', pressed, { start: '3 ft', end: '8 ft' })],
    onDate: addDays(today, 4),
  })
  const deep = []
  for (const n of [40, 42, 44, 46, 48])
    deep.push(
      await decided(
        story,
        tag(n),
        3,
        { 'flare-hidden': 'there', 'crown-thin-even': 'there' },
        'buried-flare',
        'care',
        { words: 'Open the flare; roots that strangle are told to me.', due: addDays(today, 60) },
      ),
    )
  await story.do('maren', 2, 'hand-to-crew', {
    id: idFor('rx avenue flares'),
    items: [byHand('HC-FLARE', deep, { north: '4 in', south: '3 in' })],
    onDate: addDays(today, 6),
  })
}
