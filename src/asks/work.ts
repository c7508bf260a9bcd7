import { MESSAGE_KINDS } from '@/core/texts/messageKinds'
import { z } from 'zod'
import { said, saying } from './field'
import { day, findingId, id, line, typed, words } from './text'

/** As many trees as one step takes at a job. */
const MOST_TREES = 400

/** A prescription that is taken back from the crew. */
export const withdrawPrescriptionAsks = z.strictObject({
  treeId: id('treeId'),
  prescriptionId: id('prescriptionId'),
  words: saying(line('Why it is taken back', 300, 4), { label: 'Why' }),
})

/** Work that is due again, put on a day. */
export const putOnDayAsks = z.strictObject({
  occurrenceId: id('occurrenceId'),
  onDate: day(),
  /** Trees that are not worked this time. */
  leaveOut: z.array(id('treeId')).max(MOST_TREES).default([]),
})

/** Work that is due again and not done any more. */
export const endRepeatsAsks = z.strictObject({
  occurrenceId: id('occurrenceId'),
  words: saying(line('Why it ends', 300, 4), { label: 'Why' }),
})

const subjects = () =>
  z.array(id('jobSubjectId')).min(1, { error: 'Choose at least one tree.' }).max(MOST_TREES)

/** Trees of a job that are handed back to the arborist. */
export const handBackAsks = z.strictObject({
  jobSubjectIds: subjects(),
  words: saying(line('Why', 300, 4), { placeholder: 'the gate is locked' }),
})

/** Trees of a job that are moved to another day. */
export const moveDayAsks = z.strictObject({
  jobSubjectIds: subjects(),
  onDate: day(),
  why: saying(line('Why it is moved', 300, 4), { label: 'Why', placeholder: 'rain until evening' }),
})

/** A line that is released by what was found. */
export const releaseLineAsks = z.strictObject({
  jobSubjectIds: subjects(),
  found: line('What was found', 300, 4),
})

/** A promised check that is put on another day; on none, it is ended. */
export const moveCheckAsks = z.strictObject({
  followUpId: id('followUpId'),
  onDate: saying(day(), { label: 'Another day' }).nullable(),
  why: saying(line('Why', 300, 4), { placeholder: 'the client is away' }),
})

/** A correction of a record: what is right, why it says otherwise, and what trees really got, as typed. */
export const correctRecordAsks = z.strictObject({
  id: id(),
  recordId: id('recordId'),
  reason: saying(line('Reason', 500, 8), { label: 'Why the record says otherwise' }),
  correction: saying(line('Correction', 2000, 3), { label: 'What is right' }),
  amounts: z
    .array(z.strictObject({ subjectId: id('subjectId'), amount: typed('The amount', 60) }))
    .max(MOST_TREES)
    .default([])
    .register(said, { label: 'An amount was otherwise at', input: 'choice' }),
})

/** What a laboratory found, finding by finding, as its form asks for it. */
export const laboratoryAsks = z.strictObject({ answers: z.record(findingId, z.string()) })

/** What a laboratory found, finding by finding. */
export const enterAnswerAsks = z.strictObject({
  id: id(),
  followUpId: id('followUpId'),
  assessmentId: id('assessmentId'),
  answers: z
    .array(z.strictObject({ finding: findingId, state: z.enum(['there', 'not-there', 'unsure']) }))
    .min(1, { error: 'Enter at least one answer of the laboratory.' })
    .max(20),
  words: words('Words'),
})

/** What a promised check found: a number or an answer, and what is next. */
export const enterResultAsks = z.strictObject({
  id: id(),
  followUpId: id('followUpId'),
  value: z.number({ error: 'Type the number you found.' }).nullable().default(null),
  said: typed('The answer', 60).nullable().default(null),
  nextStep: typed('What is next', 60),
  words: saying(words('Words'), { label: 'In words, if there is more to say' }),
})

/** What a client is told of work, in the words that were seen. */
export const tellClientAsks = z.strictObject({
  id: id(),
  jobId: id('jobId'),
  kind: z.enum(MESSAGE_KINDS, { error: 'Say what the client is told of.' }),
  messages: z
    .array(
      z.strictObject({
        name: line('Name', 200),
        address: line('Address', 320, 3),
        language: z.enum(['en', 'es'], { error: 'There are no words in this language yet.' }),
        subject: line('Subject', 300),
        text: z
          .string()
          .trim()
          .min(1, { error: 'The message is empty; write it, or do not send it.' })
          .max(5000, { error: 'The message is longer than 5,000 characters; shorten it.' }),
      }),
    )
    .min(1, { error: 'Nobody is left to be told.' })
    .max(20),
})

/** A crew's day that is put away, with what was decided of every tree in which something still is. */
export const putDayAwayAsks = z.strictObject({
  id: id(),
  /** None: the work that no crew has. */
  crewId: id('crewId').nullable(),
  onDate: day(),
  left: z
    .array(z.strictObject({ jobSubjectId: id('left'), words: line('What was decided', 500) }))
    .max(400, 'So many trees are not left in one evening. Load the page again.'),
})

/** A thing of the day's list as it was seen, and whether it is on the truck. */
export const noteLoadedAsks = z.strictObject({
  id: id(),
  /** None: the work that no crew has. */
  crewId: id('crewId').nullable(),
  onDate: day(),
  line: line('The thing', 200),
  name: line('Its name', 200),
  amount: line('Its amount', 80).nullable(),
  state: z.enum(['on', 'missing', 'off'], { error: 'It is on the truck, missing, or neither.' }),
})
