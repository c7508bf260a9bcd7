import { howDone, type School } from './school'

/** How a house does a matter on which practitioners differ, and for whom. */
export interface HouseRule {
  matter: string
  rule: School['standard']
  words: string | null
  by: string
  /** At most one of these; none where it holds for all work. */
  district: string | null
  clientId: string | null
  treeId: string | null
}

/** Where and for whom work is. */
export interface ForWhom {
  district: string | null
  clientId: string | null
  treeId: string | null
}

/** How near a rule is: of a tree before of a client, that before of a district, that before of all work. */
const nearness = (r: ForWhom) => (r.treeId ? 3 : r.clientId ? 2 : r.district ? 1 : 0)

/**
 * The rule that holds for a matter at a tree: the nearest one. Undefined where the house has set none.
 * @example nearestRule(rules, 'guards', { district: null, clientId: 'c', treeId: 't' })?.rule
 */
export function nearestRule(rules: readonly HouseRule[], matter: string, at: ForWhom): HouseRule | undefined {
  return rules
    .filter(
      (r) =>
        r.matter === matter &&
        (r.treeId === null || r.treeId === at.treeId) &&
        (r.clientId === null || r.clientId === at.clientId) &&
        (r.district === null || r.district === at.district),
    )
    .sort((a, b) => nearness(b) - nearness(a))[0]
}

/** A matter that comes up in some work, with the rule that holds for it there. */
export interface MatterAt {
  school: School
  /** Null where the house has set none. */
  rule: HouseRule | null
}

/** For whom a rule is, in words. `sayForWhom({ treeId: 't', … }) === 'for this tree'` */
export function sayForWhom(r: ForWhom): string {
  if (r.treeId) return 'for this tree'
  if (r.clientId) return 'for this client'
  return r.district ? `in ${r.district}` : 'in all our work'
}

/** What an arborist chose for one prescription, otherwise than the house does. */
export interface Chosen {
  matter: string
  way: 'one' | 'other'
  words: string
}

/** How a matter is done in one prescription: what is printed with it. */
export interface Agreed {
  matter: string
  name: string
  done: string
  /** By whose rule, and why. */
  from: string
}

/** How one matter is done: as chosen for this work, else by the house rule, else by default. */
export function agreedAs(school: School, rule: HouseRule | null, own: Omit<Chosen, 'matter'> | null): Agreed {
  return {
    matter: school.id,
    name: school.matter,
    done: own ? school[own.way] : howDone(school, rule?.rule),
    from: own
      ? `chosen for this work: ${own.words}`
      : rule
        ? `house rule ${sayForWhom(rule)}, ${rule.by}${rule.words ? `: ${rule.words}` : ''}`
        : `by default: ${school.why}`,
  }
}

/**
 * How each matter is done at a place.
 * @example agreedOn(mattersOf(cause, 'oak'), rules, at, [])[0].done
 */
export function agreedOn(
  matters: readonly School[],
  rules: readonly HouseRule[],
  at: ForWhom,
  chosen: readonly Chosen[],
): Agreed[] {
  return matters.map((school) =>
    agreedAs(
      school,
      nearestRule(rules, school.id, at) ?? null,
      chosen.find((c) => c.matter === school.id) ?? null,
    ),
  )
}

/** What stood beside a prescription when it was signed: how each matter is done, and who is told before the work. */
export interface AsAgreed {
  matters: Agreed[]
  /** `by`: a calendar date. */
  notices: { whom: string; by: string; rule: string; source: string }[]
}
