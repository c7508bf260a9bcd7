import { isTold } from '@/core/respond/compare'
import { inFirm } from '@/db/client'
import { followUpsOfTree } from '@/db/queries/followUp'
import { subjectsOfJob, type JobSubjectRow } from '@/db/queries/job'
import { stepsOfSubjects, type WorkStepRow } from '@/db/queries/workStep'
import { FIRM, idFor, type Story } from './story'

/** The trees of a job with the steps of their work. */
export async function workOf(jobId: string): Promise<{ subjects: JobSubjectRow[]; steps: WorkStepRow[] }> {
  return inFirm(FIRM.id, async (sql) => {
    const subjects = (await subjectsOfJob(sql, jobId)).filter((s) => s.status === 'open')
    return {
      subjects: [...subjects],
      steps: [
        ...(await stepsOfSubjects(
          sql,
          subjects.map((s) => s.id),
        )),
      ],
    }
  })
}

/** What its people wrote when they did a job. */
export interface Worked {
  /** A name for its ids. */
  name: string
  ago: number
  /** What was noted at a step, by its task. */
  notes?: Readonly<Record<string, string>>
  /** Minutes after the day's beginning at which the work begins; 5 where nothing is said. */
  at?: number
  /** What goes along with beginning, and with signing. */
  begin?: Record<string, unknown>
  record: Record<string, unknown>
}

/** Does all the work of a job that has no ports, step by step, and signs its record. */
export async function worked(story: Story, jobId: string, w: Worked): Promise<void> {
  const { subjects, steps } = await workOf(jobId)
  const ids = subjects.map((s) => s.id)
  const at = w.at ?? 5
  await story.do(
    'teodor',
    w.ago,
    'begin-work',
    {
      jobSubjectIds: ids,
      gear: true,
      seen: { soil: 'moist', leaf: 'out', bark: 'dry', larvae: 'small' },
      ...w.begin,
    },
    at,
  )
  await story.do(
    'teodor',
    w.ago,
    'mark-steps',
    {
      id: idFor(`steps ${w.name}`),
      presses: steps.flatMap((s) =>
        s.what.kind === 'task'
          ? [
              {
                eventId: idFor(`${w.name} ${s.id}`),
                stepId: s.id,
                kind: 'do',
                ...(s.what.note && { noted: w.notes?.[s.what.task] }),
              },
            ]
          : [],
      ),
    },
    at + 30,
  )
  await story.do(
    'teodor',
    w.ago,
    'sign-record',
    {
      id: idFor(`record ${w.name}`),
      jobSubjectIds: ids,
      temperature: '60 F',
      wind: '4 mph',
      windFrom: 'SW',
      sky: 'clear',
      soil: 'moist',
      deviations: null,
      ...w.record,
    },
    at + 60,
  )
}

/** What was told where all went well, by what was asked. */
const WELL: Partial<Record<string, string>> = {
  care: 'done, and it is better',
  report: 'it is reported',
}

/** Answers everything of a tree that was promised for before a day as it was hoped for; what was measured as it was expected. */
export async function wentWell(story: Story, tag: string, before: string, ago: number, words: string | null) {
  const due = (await inFirm(FIRM.id, (sql) => followUpsOfTree(sql, idFor(tag)))).filter(
    (f) => f.verdict === null && f.dueOn < before,
  )
  for (const [n, { id, expectation: e }] of due.entries())
    await story.do('maren', ago, 'enter-result', {
      id: idFor(`well ${tag} ${n}`),
      followUpId: id,
      ...(isTold(e)
        ? { said: WELL[e.kind], nextStep: 'stop looking' }
        : { value: e.expected, nextStep: 'go on as planned' }),
      words: n === 0 ? words : null,
    })
}
