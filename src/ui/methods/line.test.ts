import { itemsOfLine, nextWhen, sayWhen, withWhen, type LineStep } from './line'

const item = (useId: string, tank: number | null = null) => ({ useId, choice: 0, given: {}, tank })
const step = (name: string, part: Partial<LineStep> = {}): LineStep => ({
  name,
  says: '',
  items: [item(name)],
  when: { after: null, onlyIf: null, who: 'crew' },
  times: 1,
  apart: null,
  ...part,
})
const after = (n: number, days: number) => ({ after: { item: n, days }, onlyIf: null, who: 'crew' as const })

test('the next step comes four weeks after the last of the crew’s, whatever the client does between', () => {
  expect(nextWhen([])).toEqual({ after: null, onlyIf: null, who: 'crew' })
  const client = step('water', { when: { after: null, onlyIf: null, who: 'client' } })
  expect(nextWhen([step('open'), client]).after).toEqual({ item: 0, days: 28 })
  expect(nextWhen([client]).after).toBeNull()
  expect(nextWhen([step('line'), step('axe')], { item: 1, days: 0 }).after).toEqual({ item: 1, days: 0 })
})

test('what waits for a step waits for the first of its items, and tanks stay apart', () => {
  const line = [
    step('cover', { items: [item('captan', 1), item('sulfur', 1)] }),
    step('feed', { when: after(0, 28) }),
    step('again', { items: [item('oil', 1), item('soap', 1)], when: after(1, 7) }),
  ]
  expect(itemsOfLine(line).map((i) => [i.useId, i.tank, i.after])).toEqual([
    ['captan', 1, null],
    ['sulfur', 1, null],
    ['feed', null, { item: 0, days: 28 }],
    ['oil', 3, { item: 2, days: 7 }],
    ['soap', 3, { item: 2, days: 7 }],
  ])
})

test.each([
  [{ after: null, onlyIf: null, who: 'crew' as const }, 'on the day'],
  [after(0, 0), 'once “open” is done'],
  [after(0, 28), '28 days after “open”'],
  [{ ...after(0, 7), who: 'client' as const }, 'by the client, 7 days after “open”'],
  [{ after: null, onlyIf: 'roots are found', who: 'crew' as const }, 'on the day, only if roots are found'],
])('%j is said as %s', (when, words) => {
  expect(sayWhen(when, [step('open')])).toBe(words)
})

test('a step done at another time leaves the others as they are', () => {
  const line = [step('open'), step('feed', { when: after(0, 28) })]
  const moved = withWhen(line, 1, after(0, 35))
  expect(moved[0]).toBe(line[0])
  expect(moved[1]).toEqual({ ...line[1], when: after(0, 35) })
})
