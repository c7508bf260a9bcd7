import { idFor, type Story } from './story'

/** What was seen of each finding. */
export type States = Parameters<Story['findings']>[3]

/** Examines one tree and signs what explains it; answers the ids of both. */
export async function diagnosed(
  story: Story,
  tag: string,
  daysAgo: number,
  findings: States,
  cause: string,
  reason: string | null = null,
) {
  const treeId = idFor(tag)
  const visit = `visit ${daysAgo}`
  await story.findings(tag, daysAgo, visit, findings)
  const diagnosisId = idFor(`dx ${tag} ${daysAgo}`)
  await story.do(
    'maren',
    daysAgo,
    'sign-diagnosis',
    { id: diagnosisId, treeId, assessmentId: idFor(`${tag} ${visit}`), cause, reason },
    20,
  )
  return { treeId, diagnosisId }
}

/** The same, and decides. */
export async function decided(
  story: Story,
  tag: string,
  daysAgo: number,
  findings: States,
  cause: string,
  action: string,
  more: Record<string, unknown>,
  reason: string | null = null,
) {
  const { treeId, diagnosisId } = await diagnosed(story, tag, daysAgo, findings, cause, reason)
  const decisionId = idFor(`dec ${tag} ${daysAgo}`)
  await story.do(
    'maren',
    daysAgo,
    'sign-decision',
    { id: decisionId, treeId, diagnosisId, action, words: null, ...more },
    25,
  )
  return { treeId, decisionId }
}

/** A house card’s use for some trees, as it is prescribed. */
export const byHand = (
  code: string,
  trees: readonly { treeId: string; decisionId: string }[],
  hand: Record<string, string>,
  more: Record<string, unknown> = {},
) => ({
  useId: idFor(`card ${code}`),
  choice: 0,
  subjects: trees.map(({ treeId, decisionId }) => ({ treeId, decisionId, given: { hand } })),
  ...more,
})
