import { calibrate } from './calibration'

test('right as often as said is no error; sure and wrong is', () => {
  const said = (probability: number, rank: number) => ({ probability, rank })
  expect(calibrate([said(0.5, 1), said(0.5, 2)])).toEqual({ cases: 2, top1: 0.5, top3: 1, error: 0 })
  expect(calibrate([said(0.9, 1), said(0.9, 2)]).error).toBeCloseTo(0.4, 12)
  expect(calibrate([said(1, 4)])).toEqual({ cases: 1, top1: 0, top3: 0, error: 1 })
  expect(calibrate([])).toEqual({ cases: 0, top1: 0, top3: 0, error: 0 })
})
