import { middleOf } from '../ports/bearing'
import type { RingMark } from '../ports/marks'
import { stateOf, WALK, type Finding, type FindingState, type Place, type Seen } from './almanac'
import type { FindingDetail } from './detail'

/** One place of the walk with what is looked for there. */
export interface Stop {
  place: Place
  findings: Finding[]
}

/**
 * The walk round one tree: the findings that a cause of its kind makes (`made`), those that could hurt somebody and the firm's
 * own, place by place from the site to the laboratory; with `all`, every finding that is still asked. What was noted
 * already always stands in it. Places without a finding fall out.
 * Source: the fixed order of an examination.
 */
export function walkOf(
  findings: Iterable<Finding>,
  made: readonly string[],
  seen: Seen,
  all: boolean,
): Stop[] {
  const byKind = new Set(made)
  const shown = [...findings].filter(
    (f) => seen[f.id] || (!f.retired && (all || f.unsafe || f.own || byKind.has(f.id))),
  )
  return WALK.map((place) => ({ place, findings: shown.filter((f) => f.place === place) })).filter(
    (stop) => stop.findings.length > 0,
  )
}

/**
 * What "nothing here" marks as not there in one press: every finding of the place that nobody has looked at. A finding
 * that could hurt somebody, or that the ring or the last examination says is there, is pressed by itself; a laboratory's
 * answer comes from the laboratory.
 * `nothingHere([{id: 'a', …}, {id: 'b', …}], { a: 'there' }, new Map())` is `['b']`.
 */
export function nothingHere(
  findings: readonly Finding[],
  seen: Seen,
  known: ReadonlyMap<string, Known>,
): string[] {
  return findings
    .filter(
      (f) =>
        !f.unsafe &&
        f.place !== 'lab' &&
        known.get(f.id)?.state !== 'there' &&
        stateOf(seen, f.id) === 'not-looked',
    )
    .map((f) => f.id)
}

/** A finding as it was noted, here or elsewhere. */
export interface Noted {
  finding: string
  state: FindingState
  detail?: FindingDetail
}

/** What the trees of a site share with the one examined last: its findings of site and soil, those not looked at here. */
export function sharedBySite<N extends Noted>(
  noted: readonly N[],
  findings: ReadonlyMap<string, Finding>,
  seen: Seen,
): N[] {
  return noted.filter(({ finding }) => {
    const f = findings.get(finding)
    return f && (f.place === 'site' || f.place === 'soil') && !f.oneTree && !seen[finding]
  })
}

/** Something known of this tree before it is looked at again, and how it is known. */
export interface Known extends Noted {
  by: 'ring' | 'last'
}

/**
 * What is known of the tree already and can be taken over after a look: what the ring says (a visible flare, dead wood, a
 * thin side, a root across the trunk, each with its side), then what was there at the last signed examination. The ring
 * goes before the last examination, which may be older. Which finding a mark speaks of stands at the finding.
 * `knownBefore([{ kind: 'girdling', from: 80, to: 100, … }], [], findings)` is
 * `[{ finding: 'root-girdling', state: 'there', detail: { bearing: 90 }, by: 'ring' }]`.
 */
export function knownBefore(
  marks: readonly RingMark[],
  last: readonly Noted[],
  findings: Iterable<Finding>,
): Known[] {
  const ofRing = new Map<string, Known>()
  for (const finding of findings) {
    const mark = finding.onRing && marks.find((m) => m.kind === finding.onRing!.mark)
    if (!mark || !finding.onRing) continue
    const { state } = finding.onRing
    const detail = state === 'there' ? { detail: { bearing: Math.round(middleOf(mark)) } } : {}
    ofRing.set(finding.id, { finding: finding.id, state, ...detail, by: 'ring' })
  }
  const ofLast = last
    .filter((n) => n.state === 'there' && !ofRing.has(n.finding))
    .map((n): Known => ({ ...n, by: 'last' }))
  return [...ofRing.values(), ...ofLast]
}
