import { practiceOf } from '@/db/queries/practice'
import { reading } from './reader'

/** A person's own practice: what they have worked through. */
export function practiceView() {
  return reading(async ({ sql, person }) => ({
    name: person.name,
    timeZone: person.timeZone,
    runs: (await practiceOf(sql, person.id)).map((r) => ({ ...r, at: r.at.getTime() })),
  }))
}

export type PracticeView = Awaited<ReturnType<typeof practiceView>>
