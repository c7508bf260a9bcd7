import { CAUSES } from './causes'
import { FINDINGS } from './findings'
import { HOSTS, host } from './hosts'
import { weighTree } from './weighing'

const cause = (id: string) => CAUSES.find((c) => c.id === id)!

describe('laboratory and proof', () => {
  const OAK = {
    'leaf-bronze-green-drop': 'there',
    'wilt-sudden-whole': 'there',
    'spreads-along-neighbours': 'there',
  } as const

  test('the answer lifts the hold; the duty to report stays and says what may be done', () => {
    const before = weighTree('oak-red-group', 7, OAK).judgement
    expect(before.hold?.reason).toMatch(/Oak wilt needs proof before any work/)
    expect(before.flags.map((f) => [f.cause, f.reason])).toEqual([
      ['oak-wilt', expect.stringMatching(/report on suspicion\..*Paint every wound/)],
    ])
    const after = weighTree('oak-red-group', 7, { ...OAK, 'lab-oak-wilt': 'there' }).judgement
    expect(after.hold).toBeNull()
    expect(after.flags[0]?.reason).toMatch(/is proved: report it.*Paint every wound/)
  })

  test('a test of another organism, or of none named, lifts nothing', () => {
    for (const other of ['lab-verticillium', 'lab-elm-wilt', 'lab-wilt-fungus'])
      expect([other, weighTree('oak-red-group', 7, { ...OAK, [other]: 'there' }).judgement.hold]).not.toEqual(
        [other, null],
      )
  })

  test('a negative answer lowers its own cause and no other', () => {
    const at = (seen: Parameters<typeof weighTree>[2], id: string) =>
      weighTree('elm', 7, seen).weighed.find((w) => w.cause === id)!.probability
    const seen = { 'flagging-limb': 'there', 'sapwood-streaks': 'there' } as const
    expect(at({ ...seen, 'lab-elm-wilt': 'not-there' }, 'dutch-elm-disease')).toBeLessThan(
      at(seen, 'dutch-elm-disease') * 0.99,
    )
    // An unlucky sample is not the end of the suspicion.
    expect(at({ ...seen, 'lab-elm-wilt': 'not-there' }, 'dutch-elm-disease')).toBeGreaterThan(0.2)
  })

  test('every test settles causes of the almanac, and every cause that needs proof has its test', () => {
    for (const f of FINDINGS.filter((x) => x.settles))
      for (const id of f.settles!) expect([f.id, id, cause(id)?.id]).toEqual([f.id, id, id])
    for (const c of CAUSES.filter((x) => x.proof))
      expect([c.id, FINDINGS.some((f) => f.settles?.includes(c.id))]).toEqual([c.id, true])
  })

  test('the test that names no fungus is never asked again', () => {
    const { looks } = weighTree('elm', 7, { 'flagging-limb': 'there' })
    expect(looks.map((l) => l.finding)).not.toContain('lab-wilt-fungus')
  })
})

describe('borers', () => {
  test('clearwings are met on the bark while they fly, by no systemic of their own', () => {
    expect(cause('clearwing-borer').action).not.toBe('protect-systemic')
    expect(Object.keys(cause('clearwing-borer').refuses)).toContain('crown-spray')
  })
  test('what lives under bark refuses a crown spray and not a bark spray', () => {
    for (const id of [
      'emerald-ash-borer',
      'bronze-birch-borer',
      'two-lined-chestnut-borer',
      'clearwing-borer',
    ]) {
      const classes = Object.keys(cause(id).refuses)
      expect([id, classes.includes('crown-spray'), classes.includes('bark-spray')]).toEqual([id, true, false])
    }
  })
  test('half the crown is the limit for borers that girdle, and for nothing else', () => {
    expect(
      CAUSES.filter((c) => c.girdles)
        .map((c) => c.id)
        .sort(),
    ).toEqual(['bronze-birch-borer', 'emerald-ash-borer', 'two-lined-chestnut-borer'])
  })
  test('a birch under a full top with holes in its limbs leads to its borer', () => {
    const { weighed } = weighTree('birch', 6, { 'exit-hole-d': 'there', 'crown-thin-top': 'not-there' })
    expect(weighed[0]!.cause).toBe('bronze-birch-borer')
  })
})

test('a sign of danger leaves the borer that was found where it is, and goes to the assessor first', () => {
  const seen = { 'exit-hole-d': 'there', 'crown-thin-top': 'there' } as const
  const danger = weighTree('ash', 6, { ...seen, 'cavity-open': 'there', 'root-plate-lifting': 'there' })
  expect(danger.weighed[0]!.cause).toBe('emerald-ash-borer')
  expect(danger.judgement.hold?.reason).toMatch(/qualified risk assessor/)
  expect(danger.looks[0]!.finding).toMatch(/^test-(decay-resistance|pull)$/)
  expect(danger.judgement.settled).toBe(false)
})

test('oil is flagged on trees that do not bear it, and lindens bear no neonicotinoid', () => {
  for (const id of ['juniper', 'spruce', 'maple', 'walnut'])
    expect([id, host(id)?.oil]).not.toEqual([id, undefined])
  expect(HOSTS.filter((h) => h.noNeonicotinoid).map((h) => h.id)).toEqual(['linden'])
  for (const id of ['lecanium-scale', 'aphids', 'spider-mites'])
    expect([id, cause(id).oil]).toEqual([id, true])
})
