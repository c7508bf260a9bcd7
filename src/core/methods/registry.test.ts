import { HAND_NAMES, PUT_ON_METHODS } from './names'
import { methodOf } from './registry'

/** What goes into the ground, or drips on it, keeps the card’s distance to water; what goes into a trunk does not touch it. */
test('whatever reaches the ground is held to the distance to water', () => {
  const onGround = PUT_ON_METHODS.filter((method) => methodOf({ method }).onGround)
  expect(onGround).toEqual(['soil-drench', 'soil-injection', 'bark-spray', 'crown-spray', 'feed'])
  expect(HAND_NAMES.filter((method) => methodOf({ method }).onGround)).toEqual([])
})
