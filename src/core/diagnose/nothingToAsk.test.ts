import { nothingToAsk } from './nothingToAsk'

const enough = { looked: 20, asked: 84, ringShows: [], likeliest: 0.7 }

test('it is settled where enough was looked at and one explanation stands above all others', () => {
  expect(nothingToAsk(enough)).toEqual({ settled: true, says: expect.stringMatching(/No further look/) })
  expect(nothingToAsk({ ...enough, looked: 5, likeliest: 0.5 }).settled).toBe(true)
})

test.each([
  [{ looked: 2 }, /Only 2 of 84/],
  [{ looked: 4 }, /Only 4 of 84/],
  [{ likeliest: 0.47 }, /they call for the same/],
  [{ ringShows: ['Root across the trunk'] }, /ring shows root across the trunk/],
])('%o settles nothing, and says what is missing', (over, says) => {
  const told = nothingToAsk({ ...enough, ...over })
  expect(told.settled).toBe(false)
  expect(told.says).toMatch(says)
})
