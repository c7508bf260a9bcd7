import { toSI } from '../quantity/units'
import { refusedNear, tooNear, type KeptClear } from './keptClear'

const hive: KeptClear = {
  kind: 'hive',
  name: null,
  setback: toSI(100, 'ft'),
  geometry: { type: 'Point', coordinates: [0, 0] },
}
const pond: KeptClear = {
  kind: 'water',
  name: 'duck pond',
  setback: null,
  geometry: { type: 'Point', coordinates: [0, 1] },
}

test('what is nearer than its distance stands too near, the nearest first; on the distance is far enough', () => {
  const well: KeptClear = {
    ...hive,
    kind: 'well',
    name: 'well of the school',
    geometry: { type: 'Point', coordinates: [0, 5] },
  }
  const at = { eastM: 0, northM: 10 }
  expect(tooNear(at, [hive, well, pond]).map((n) => n.what)).toEqual(['well of the school', 'hive'])
  expect(tooNear({ eastM: toSI(100, 'ft'), northM: 0 }, [hive])).toEqual([])
  expect(tooNear({ eastM: toSI(99.9, 'ft'), northM: 0 }, [hive])).toHaveLength(1)
})

test('it closes what reaches ground or air, and nothing that stays inside the tree', () => {
  const near = tooNear({ eastM: 0, northM: toSI(40, 'ft') }, [hive])
  expect(refusedNear(near, { onGround: false, units: 'us' })).toEqual([])
  expect(refusedNear(near, { onGround: true, units: 'us' })).toEqual([
    {
      why: 'Hive at 40 ft: the plan keeps 100 ft from it.',
      wayOut: 'Choose a way that stays inside the tree.',
    },
  ])
  const there = tooNear({ eastM: 0, northM: 0 }, [hive])
  expect(refusedNear(there, { onGround: true, units: 'metric' })[0]!.why).toBe(
    'Hive is where the tree stands: the plan keeps 30 m from it.',
  )
})
