import { toSI } from '../quantity/units'
import { givenFor, readGiven } from './given'

const FOR_ALL = { crownHeight: '11', crownWidth: '10', crownDensity: 'dense' as const }

describe('what holds for one tree of a group', () => {
  test.each([
    ['nothing of its own', {}, { ...FOR_ALL, crownOf: 'block' }],
    ['a field that was emptied again', { crownHeight: '' }, { ...FOR_ALL, crownOf: 'block' }],
    ['one side of the crown', { crownWidth: '12' }, { ...FOR_ALL, crownWidth: '12', crownOf: 'block' }],
    [
      'a crown of its own',
      { crownHeight: '9', crownWidth: '8' },
      { ...FOR_ALL, crownHeight: '9', crownWidth: '8' },
    ],
  ])('%s', (_, own, holds) => {
    expect(givenFor(FOR_ALL, own)).toEqual(holds)
  })

  test('lines of work by hand are taken one by one', () => {
    expect(
      givenFor({ hand: { snow: '12 in', animal: 'vole' } }, { hand: { snow: '', animal: 'rabbit' } }),
    ).toEqual({
      hand: { snow: '12 in', animal: 'rabbit' },
    })
    expect(givenFor({}, {})).toEqual({})
  })
})

describe('what was typed of a tree', () => {
  test('is read in the person’s units, and a crown of the block says so', () => {
    expect(readGiven({ ...FOR_ALL, crownOf: 'block' }, 'us')).toEqual({
      ok: true,
      value: {
        bearings: undefined,
        hand: undefined,
        crown: { shape: 'ellipsoid', density: 'dense', height: toSI(11, 'ft'), width: toSI(10, 'ft') },
        crownOf: 'block',
      },
    })
    const metric = readGiven({ portGirth: '120', reach: '4' }, 'metric')
    expect(metric.ok && [metric.value.portGirth, metric.value.reach]).toEqual([1.2, 4])
  })

  test.each([
    [{ portGirth: 'thick' }, 'portGirth'],
    [{ crownHeight: '11' }, 'crownWidth'],
    [{ crownWidth: '11' }, 'crownHeight'],
    [{ reach: '-' }, 'reach'],
    [{ hardscape: '100' }, 'hardscape'],
    [{ hardscape: '-1 %' }, 'hardscape'],
  ])('%j is refused at its field', (typed, field) => {
    const read = readGiven(typed, 'us')
    expect(read.ok ? null : read.problem.field).toBe(field)
  })

  test('a paved share stands with or without its sign', () => {
    for (const hardscape of ['25', '25 %'])
      expect(readGiven({ hardscape }, 'us')).toMatchObject({ ok: true, value: { hardscapePercent: 25 } })
  })
})
