/** A matter on which good practitioners differ: both ways, when each is right, and what the product does by default. */
export interface School {
  id: string
  matter: string
  one: string
  other: string
  oneWhen: string
  otherWhen: string
  /** Which the product takes unless the house says otherwise. */
  standard: 'one' | 'other' | 'by case'
  why: string
}

/** A matter as this house does it: its own rule, or the default. */
export function howDone(school: School, rule: School['standard'] | undefined): string {
  const way = rule ?? school.standard
  if (way === 'one') return school.one
  if (way === 'other') return school.other
  return rule === undefined ? school.why : 'By case'
}
