import { Patience } from './patience'

function held() {
  let now = 0
  const slept: number[] = []
  const patience = new Patience(
    () => now,
    (ms) => {
      slept.push(ms)
      return Promise.resolve()
    },
  )
  return { patience, slept, later: (ms: number) => (now += ms) }
}

test('the first is not held up, the next longer each time, and never longer than eight seconds', async () => {
  const { patience, slept } = held()
  await patience.wait('a')
  expect(slept).toEqual([])
  for (let i = 0; i < 7; i++) {
    patience.strike('a')
    await patience.wait('a')
  }
  expect(slept).toEqual([500, 1000, 2000, 4000, 8000, 8000, 8000])
})

test('each by themselves; a quiet minute is forgotten', async () => {
  const { patience, slept, later } = held()
  patience.strike('a')
  await patience.wait('b')
  later(59_999)
  await patience.wait('a')
  expect(slept).toEqual([500])
  later(1)
  await patience.wait('a')
  expect(slept).toEqual([500])
})
