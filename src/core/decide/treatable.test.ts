import { BORER, judgeTreatable, RETURNS, SELDOM_KILLS, WILT } from './treatable'

test.each([
  [BORER, 0, 'good'],
  [BORER, 29, 'good'],
  [BORER, 30, 'doubtful'],
  [BORER, 50, 'doubtful'],
  [BORER, 51, 'none'],
  [RETURNS, 45, 'good'],
  [RETURNS, 50, 'doubtful'],
  [RETURNS, 95, 'doubtful'],
  [WILT, 5, 'good'],
  [WILT, 10, 'doubtful'],
  [WILT, 25, 'none'],
  [SELDOM_KILLS, 70, 'doubtful'],
] as const)('%o with %d %% of the crown lost is %s', (treatable, lost, grade) => {
  expect(judgeTreatable(treatable, lost).grade).toBe(grade)
})

test('the same loss means another thing for another cause', () => {
  expect(judgeTreatable(BORER, 60).why).toMatch(/no longer carries/)
  expect(judgeTreatable(RETURNS, 60).why).toMatch(/come back over two to four years/)
  expect(judgeTreatable(WILT, 60).why).toMatch(/nothing stops it/)
})

test('a crown that nobody took judges nothing', () => {
  expect(judgeTreatable(BORER, null)).toMatchObject({ grade: 'not taken', against: true })
})
