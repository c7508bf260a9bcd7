import { toSI } from '../quantity/units'
import { doubtWeather } from './said'

const at = (f: number, mph: number) => ({ temperature: toSI(f, 'F'), wind: toSI(mph, 'mph') })
const doubt = (said: [number, number], measured: [number, number], answered: string[] = []) => {
  const r = doubtWeather(at(...said), at(...measured), 'us', answered)
  return r.ok ? null : r.problem
}

test('a wind of 45 against 4 is asked about, and kept once it was answered', () => {
  expect(doubt([68, 45], [68, 4])).toEqual({
    code: 'doubt',
    field: 'wind',
    message: 'You noted a wind of 45 mph; the service has 4 mph for this hour. Is it what you measured here?',
  })
  expect(doubt([68, 45], [68, 4], ['wind'])).toBeNull()
})
test('degrees of the other scale are asked about, after the wind', () => {
  expect(doubt([68, 4], [20, 4])?.field).toBe('temperature')
  expect(doubt([20, 45], [68, 4])?.field).toBe('wind')
  expect(doubt([20, 45], [68, 4], ['wind'])?.field).toBe('temperature')
  expect(doubt([20, 45], [68, 4], ['wind', 'temperature'])).toBeNull()
})
test('what a corner of the yard can make of it is nobody’s slip', () => {
  expect(doubt([79, 12], [60, 3])).toBeNull()
})
