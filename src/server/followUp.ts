import { z } from 'zod'
import { compare } from '@/core/respond/compare'
import { ok, refuse, type Result } from '@/core/problem'
import { addMeasurement, followUpById } from '@/db/queries/followUp'
import { addRecord, recordById } from '@/db/queries/record'
import { id, line, verb, words } from './verb'

/** Enters what a promised check found, compared with what was expected. A check has one result. */
export const enterResultVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.followUpId,
  input: z.strictObject({
    id: id(),
    followUpId: id('followUpId'),
    value: z.number({ error: 'Type the number you found.' }),
    nextStep: z.string().max(60),
    words: words('Words'),
  }),
  run: async ({ sql, person, now, today }, input): Promise<Result<{ verdict: string }>> => {
    const check = await followUpById(sql, input.followUpId)
    if (!check) return refuse('unknown', 'followUpId', 'There is no such check.')
    const { least, most, unit } = check.expectation
    if (input.value < least || input.value > most)
      return refuse(
        'out-of-range',
        'value',
        `The result must lie from ${least} to ${most} ${unit}; check the number.`,
      )
    if (unit === 'left' && !Number.isInteger(input.value))
      return refuse('out-of-range', 'value', 'Count whole bottles; type a whole number.')
    if (check.dueOn > today)
      return refuse(
        'not-allowed',
        'followUpId',
        `This check is due on ${check.dueOn}; its result can be entered from that day on.`,
      )
    const { verdict, options } = compare(check.expectation, input.value)
    if (!options.includes(input.nextStep))
      return refuse(
        'missing',
        'nextStep',
        `The result is ${verdict}. Choose what is next: ${options.join(', ')}.`,
      )
    const added = await addMeasurement(sql, {
      ...input,
      firmId: person.firmId,
      verdict,
      words: input.words || null,
      at: now,
      by: person.id,
    })
    if (!added && check.measuredBy && check.value !== input.value)
      return refuse(
        'conflict',
        'followUpId',
        `${check.measuredBy} has entered ${check.value} ${unit} for this check already.`,
      )
    return ok({ verdict })
  },
})

/** Corrects a record: a new signed entry that points at the old one, with a reason. The old one stands. */
export const correctRecordVerb = verb({
  roles: ['crew lead', 'arborist'],
  about: (i) => i.recordId,
  input: z.strictObject({
    id: id(),
    recordId: id('recordId'),
    reason: line('Reason', 500, 8),
    correction: line('Correction', 2000, 3),
  }),
  run: async ({ sql, person, now }, input): Promise<Result<{ id: string }>> => {
    const record = await recordById(sql, input.recordId)
    if (!record) return refuse('unknown', 'recordId', 'There is no such record.')
    if (record.kind === 'correction')
      return refuse('not-allowed', 'recordId', 'Correct the first entry, not its correction.')
    if (!person.licence)
      return refuse(
        'not-allowed',
        'role',
        'Your licence is not on file; the office enters it before you can sign.',
      )
    await addRecord(sql, {
      id: input.id,
      firmId: person.firmId,
      kind: 'correction',
      corrects: record.id,
      treeId: record.treeId,
      siteId: record.siteId,
      jobItemId: null,
      signedAt: now,
      signedBy: person.id,
      body: {
        applicator: { name: person.name, licence: person.licence },
        reason: input.reason,
        correction: input.correction,
      },
    })
    return ok({ id: input.id })
  },
})
