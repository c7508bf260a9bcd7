import type { Cause } from '@/core/diagnose/almanac'
import { CAUSES } from './causes'
import { HOSTS } from './hosts'
import { mattersOf, SCHOOLS } from './schools'

const hostsOf = (cause: Cause) => (cause.hosts === '*' ? HOSTS.map((h) => h.id) : cause.hosts)
const ids = (cause: string, host: string) =>
  mattersOf(
    CAUSES.find((c) => c.id === cause)!,
    host,
  ).map((s) => s.id)

test('what is asked about the ash borer is asked on no other trouble', () => {
  expect(ids('emerald-ash-borer', 'ash')).toEqual(['ash-borer-timing', 'soil-or-trunk', 'holes'])
  expect(ids('hemlock-woolly-adelgid', 'hemlock')).toEqual(['soil-or-trunk', 'holes'])
  for (const cause of CAUSES.filter((c) => c.id !== 'emerald-ash-borer'))
    for (const host of hostsOf(cause)) expect(ids(cause.id, host)).not.toContain('ash-borer-timing')
})
test('fire blight is spoken of with fire blight, oak wounds on oaks', () => {
  const speaking = (school: string) =>
    CAUSES.filter((c) => hostsOf(c).some((h) => ids(c.id, h).includes(school))).map((c) => c.id)
  expect(speaking('blight-sprays')).toEqual(['fire-blight'])
  expect(speaking('blight-cutting')).toEqual(['fire-blight'])
  for (const host of HOSTS.filter((h) => !h.id.includes('oak')))
    for (const cause of CAUSES) expect(ids(cause.id, host.id)).not.toContain('wound-paint')
})
test('every cause speaks of matters that are there, each once', () => {
  const known = new Set(SCHOOLS.map((s) => s.id))
  for (const cause of CAUSES)
    for (const host of hostsOf(cause)) {
      const own = ids(cause.id, host)
      expect(new Set(own).size).toBe(own.length)
      expect(own.every((id) => known.has(id))).toBe(true)
    }
})
