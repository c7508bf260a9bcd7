import { byKind } from '../kind/kind'
import type { Cause, Finding, ProductClass } from './almanac'
import { stateOf } from './almanac'
import { DECISIONS } from './decision'
import { isRaised, type Explained } from './explain'
import type { NextLook } from './looks'
import { isProved, needsProof, type Reporting } from './reporting'
import { BESIDE, chanceThere, decisionOf, PROVE_FROM, SOMETHING_ELSE } from './weigh'

export interface ChainLink {
  /** What accompanies, feeds or opens the door. */
  cause: string
  role: 'feeds' | 'tended' | 'stress'
  /** What it belongs to. */
  to: string
  /** Finding and cause ids it rests on. */
  because: string[]
}

/** A cause that must be reported, with the reason as it stands in the jurisdiction. */
export interface Flag {
  cause: string
  reason: string
}

/** Why to wait. Danger sends the tree to an assessor and forbids no signature; the rest waits for a look or a proof. */
export interface Hold {
  reason: string
  danger: boolean
}

export interface Judgement {
  hold: Hold | null
  flags: Flag[]
  refused: { class: ProductClass; reason: string }[]
  chains: ChainLink[]
  /** True when no further look could change what is to be done. */
  settled: boolean
}

/** Where the almanac says nothing of its own. */
const KEEP_HERE = 'Keep wood, plants and leaves on the site until the authority answers.'
/** An explanation this likely is reckoned with when a class is refused. */
const HEARD = 0.15
/** A cause this likely that must be reported is flagged. */
const FLAG_FROM = 0.1
/** A cause this likely belongs to what is told. */
const AT_WORK = 0.25
/** Above this two explanations with different work no longer hold each other up. */
const SURE = 0.8

/**
 * What follows from the weights: whether to hold, what must be reported, which classes of product cannot work and why, what
 * belongs together, and whether asking on would still change the work.
 */
export function judge(
  explained: Explained,
  looks: readonly NextLook[],
  toFind: readonly Finding[],
  reporting: Reporting,
): Judgement {
  return {
    hold: holdReason(explained, looks, toFind, reporting),
    flags: flagsOf(explained, reporting),
    refused: refusedBy(explained),
    chains: chainsOf(explained),
    settled: explained.looks.length > 0 && looks.length === 0,
  }
}

interface Standing {
  cause: Cause
  chance: number
}

/** The causes by their chance, what lives on others left out. */
function standing(explained: Explained): Standing[] {
  return explained.switches
    .flatMap((s, i) => (s.cause ? [{ cause: s.cause, chance: explained.chances[i]! }] : []))
    .sort((a, b) => b.chance - a.chance)
}

function holdReason(
  explained: Explained,
  looks: readonly NextLook[],
  toFind: readonly Finding[],
  reporting: Reporting,
): Hold | null {
  const { input } = explained
  const danger = Object.entries(input.seen).flatMap(([id, state]) => {
    const finding = input.findings.get(id)
    return finding?.unsafe && state === 'there' ? [finding.name] : []
  })
  if (danger.length > 0)
    return {
      danger: true,
      reason: `${danger.join(', ')}: a qualified risk assessor looks before anything else. Keep people and targets away; no drilling and no climbing until the answer.`,
    }
  const stands = standing(explained)
  const unproved = stands.find(
    ({ cause, chance }) => needsProof(cause, reporting) && chance >= PROVE_FROM && !isProved(cause.id, input),
  )
  if (unproved) return { danger: false, reason: proofReason(unproved.cause, input) }
  // The likeliest of all may be what only a test can tell, though nothing stands high yet.
  const first = stands[0]
  if (
    first &&
    first.chance >= HEARD &&
    needsProof(first.cause, reporting) &&
    !isProved(first.cause.id, input)
  )
    return { danger: false, reason: proofReason(first.cause, input) }
  const reportable = stands.find(
    ({ cause, chance }) => cause.reportable && chance >= PROVE_FROM && !isProved(cause.id, input),
  )
  if (reportable)
    return {
      danger: false,
      reason: `${reportable.cause.name} must be reported where it is regulated. Ask the authority before any work.`,
    }
  const other = explained.chances[explained.switches.findIndex((s) => s.id === SOMETHING_ELSE)]!
  if (explained.looks.some((l) => l.state === 'there') && other > Math.max(stands[0]?.chance ?? 0, 0.3))
    return {
      danger: false,
      reason:
        'Nothing in the almanac explains these findings well. Look further or send a sample before buying anything.',
    }
  if (toFind.length > 0)
    return {
      danger: false,
      reason: `What drips is not found yet. Look for it before anything is bought: ${toFind[0]!.name.toLowerCase()}.`,
    }
  return partedReason(explained, looks)
}

function proofReason(cause: Cause, input: Explained['input']): string {
  const tests = [...input.findings.values()].filter((f) => f.settles?.includes(cause.id))
  const answered = tests.filter((f) => stateOf(input.seen, f.id) === 'not-there')
  if (answered.length > 0)
    return `${cause.name} still stands although its test came back negative. A negative is only as good as its sample: take it again from fresh material, or look further.`
  const name = tests[0]?.question.split(':')[0]?.toLowerCase() ?? 'its test'
  return `${cause.name} needs proof before any work: ${name}.`
}

/** Two explanations that call for different work while one look would help to part them. */
function partedReason(explained: Explained, looks: readonly NextLook[]): Hold | null {
  const look = looks.find((l) => l.minutes <= 10)
  if (!look) return null
  const [first, ...rest] = explained.told.filter((s) => s.weight >= HEARD)
  if (!first || first.weight >= SURE) return null
  const says = (on: readonly number[]) =>
    new Set(
      on.flatMap((i) => (explained.switches[i]!.cause ? [decisionOf(explained.switches[i]!.cause)] : [])),
    )
  const one = says(first.on)
  // One that only adds work to the first holds nothing up: what both call for can be done.
  const two = rest
    .filter((s) => s.on.length > 0)
    .map((s) => says(s.on))
    .find((d) => [...d].some((x) => !one.has(x)) && [...one].some((x) => !d.has(x)))
  if (!two) return null
  const differ = [...one, ...two].filter((d) => one.has(d) !== two.has(d))
  const costly = differ.find((d) => DECISIONS[d].needless >= 0.2)
  if (!costly) return null
  return {
    danger: false,
    reason: `Whether it takes ${DECISIONS[costly].says} is not told yet. One look would help: ${explained.input.findings.get(look.finding)!.name.toLowerCase()}.`,
  }
}

function flagsOf(explained: Explained, reporting: Reporting): Flag[] {
  return standing(explained).flatMap(({ cause, chance }) => {
    const proved = isProved(cause.id, explained.input)
    if (chance < FLAG_FROM && !proved) return []
    const rule = reporting.rule(cause.id)
    if (rule === null) return []
    return [
      {
        cause: cause.id,
        reason: `${cause.name}${proved ? ' is proved: report it.' : ': report on suspicion.'} ${rule} ${cause.meanwhile ?? KEEP_HERE}`,
      },
    ]
  })
}

/** What one set refuses: what every cause in it refuses, what lives on another of them left to that one; null where none is told. */
function refusals(on: readonly number[], explained: Explained): Map<ProductClass, string> | null {
  const causes = on.flatMap((i) => explained.switches[i]!.cause ?? [])
  const [first, ...rest] = causes.filter(
    (c) => !c.livesOn || !c.livesOn.some((id) => causes.some((x) => x.id === id)),
  )
  if (!first) return null
  const bears = (c: Cause, cls: ProductClass) =>
    byKind(c.bearsOn, explained.input.host)?.includes(cls) ?? false
  const out = new Map<ProductClass, string>()
  for (const [cls, reason] of Object.entries(first.refuses) as [ProductClass, string][])
    if (!bears(first, cls) && rest.every((c) => cls in c.refuses && !bears(c, cls))) out.set(cls, reason)
  return out
}

/**
 * A class is refused only when every explanation that is reckoned with refuses it. A healthy tree asks for nothing; where
 * something the almanac does not hold leads, nobody knows what cannot work.
 */
function refusedBy(explained: Explained): Judgement['refused'] {
  if (!explained.looks.some((l) => l.state !== 'not-there')) return []
  const told = explained.told.filter((s) => s.on.length > 0)
  if (told[0]?.on.some((i) => explained.switches[i]!.cause === null)) return []
  const heard: Map<ProductClass, string>[] = []
  let held = 0
  for (const s of told) {
    // Where no explanation stands out, the likeliest that make up half are heard.
    if (s.weight < HEARD && (held >= 0.5 || s.weight < 0.01)) break
    const refused = refusals(s.on, explained)
    if (!refused) continue
    heard.push(refused)
    held += s.weight
  }
  const [first, ...rest] = heard
  if (!first) return []
  return [...first]
    .filter(([cls]) => rest.every((r) => r.has(cls)))
    .map(([cls, reason]) => ({ class: cls, reason }))
    .sort((a, b) => (a.class < b.class ? -1 : 1))
}

/** Findings that are there and much more frequent under this cause than without it. */
function ownSigns(cause: Cause, explained: Explained): string[] {
  return explained.looks.flatMap(({ finding, state }) => {
    const chance = chanceThere(finding, cause, explained.input.host)
    return state === 'there' && chance >= 0.4 && chance >= 4 * finding.background ? [finding.id] : []
  })
}

/** What belongs together among the causes that stand: what feeds, what comes for it, what opens the door. */
function chainsOf(explained: Explained): ChainLink[] {
  const stands = standing(explained).filter((s) => s.chance >= AT_WORK)
  const all = standing(explained)
  const raised = new Set(explained.switches.flatMap((s, i) => (isRaised(explained, i) ? [s.id] : [])))
  const links: ChainLink[] = []
  for (const { cause } of stands) {
    if (BESIDE.includes(cause.id)) continue
    for (const feeder of all) {
      if (!cause.livesOn?.includes(feeder.cause.id)) continue
      const signs = ownSigns(feeder.cause, explained)
      if (feeder.chance >= AT_WORK || signs.length > 0)
        links.push({ cause: feeder.cause.id, role: 'feeds', to: cause.id, because: [...signs, cause.id] })
    }
    for (const opener of all) {
      if (!opener.cause.opens?.includes(cause.id)) continue
      const signs = ownSigns(opener.cause, explained)
      if (opener.chance >= AT_WORK || (signs.length > 0 && raised.has(opener.cause.id)))
        links.push({ cause: opener.cause.id, role: 'stress', to: cause.id, because: signs })
    }
    if (cause.livesOn)
      for (const { cause: host } of stands)
        if (cause.livesOn.includes(host.id))
          links.push({ cause: cause.id, role: 'tended', to: host.id, because: ownSigns(cause, explained) })
  }
  const chance = new Map(all.map((s) => [s.cause.id, s.chance]))
  return links.sort((a, b) => (chance.get(b.cause) ?? 0) - (chance.get(a.cause) ?? 0))
}
