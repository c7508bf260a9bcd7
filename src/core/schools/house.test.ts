import { agreedOn, nearestRule, sayForWhom, type HouseRule } from './house'
import { SCHOOLS } from '@/almanac/schools'

const rule = (way: HouseRule['rule'], of: Partial<HouseRule> = {}): HouseRule => ({
  matter: 'stubs',
  rule: way,
  words: null,
  by: 'Maren Oduya',
  district: null,
  clientId: null,
  treeId: null,
  ...of,
})
const at = { district: 'Riverside', clientId: 'school', treeId: 'oak' }
const stubs = SCHOOLS.filter((s) => s.id === 'stubs')

describe('house rules', () => {
  it('holds the nearest one: tree before client, client before district, district before all', () => {
    const all = rule('one')
    const district = rule('other', { district: 'Riverside' })
    const client = rule('by case', { clientId: 'school' })
    const tree = rule('one', { treeId: 'oak' })
    expect(nearestRule([all, district, client, tree], 'stubs', at)).toBe(tree)
    expect(nearestRule([client, all, district], 'stubs', at)).toBe(client)
    expect(nearestRule([all, district], 'stubs', at)).toBe(district)
    expect(nearestRule([all], 'stubs', at)).toBe(all)
  })

  it('holds none that is for somebody else, or about another matter', () => {
    const others = [
      rule('one', { treeId: 'ash' }),
      rule('one', { clientId: 'hospital' }),
      rule('one', { district: 'Hill' }),
      rule('one', { matter: 'guards' }),
    ]
    expect(nearestRule(others, 'stubs', at)).toBeUndefined()
    expect(agreedOn(stubs, others, at, [])[0]!.from).toMatch(/^by default/)
  })

  it('says how it is done and by whose rule; what was chosen for the work goes first', () => {
    const rules = [rule('other', { clientId: 'school', words: 'the head asked for it' })]
    expect(agreedOn(stubs, rules, at, [])).toEqual([
      {
        matter: 'stubs',
        name: 'Stubs on weak trees',
        done: 'Leave a stub until it shoots',
        from: 'house rule for this client, Maren Oduya: the head asked for it',
      },
    ])
    expect(
      agreedOn(stubs, rules, at, [{ matter: 'stubs', way: 'one', words: 'it is sound' }])[0],
    ).toMatchObject({ done: 'Never a stub', from: 'chosen for this work: it is sound' })
  })

  it('says for whom a rule is', () => {
    expect(sayForWhom(rule('one'))).toBe('in all our work')
    expect(sayForWhom(rule('one', { district: 'Hill' }))).toBe('in Hill')
  })
})
