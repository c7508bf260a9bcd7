import fc from 'fast-check'
import { onGlobe, onPlan } from './onGlobe'

const corner = { latitude: 42.31, longitude: -75.22 }

test('a degree is as long as it is', () => {
  // By the tables: at 45° a degree of latitude is 111,131.7 m, one of longitude 78,846.8 m.
  const at = { latitude: 45, longitude: 0 }
  expect(onPlan({ latitude: 45.0005, longitude: 0 }, { latitude: 44.9995, longitude: 0 }).northM).toBeCloseTo(
    111.1317,
    2,
  )
  expect(onPlan({ latitude: 45, longitude: 0.001 }, at).eastM).toBeCloseTo(78.8468, 3)
})

test('there and back again is the same spot within a millimetre', () => {
  const far = fc.double({ min: -9000, max: 9000, noNaN: true })
  fc.assert(
    fc.property(far, far, fc.double({ min: -70, max: 70, noNaN: true }), (eastM, northM, latitude) => {
      const here = { latitude, longitude: 179.99 }
      const back = onPlan(onGlobe({ eastM, northM }, here), here)
      expect(Math.hypot(back.eastM - eastM, back.northM - northM)).toBeLessThan(0.001)
    }),
  )
})

test('over the line of the date it is near, not round the world', () => {
  expect(
    onPlan({ latitude: 0, longitude: -179.999 }, { latitude: 0, longitude: 179.999 }).eastM,
  ).toBeLessThan(300)
  expect(onPlan(corner, corner)).toEqual({ eastM: 0, northM: 0 })
})
