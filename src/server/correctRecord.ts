import { correctRecordAsks } from '@/asks/work'
import { readProduct } from '@/core/methods/readProduct'
import { showProduct } from '@/core/methods/showProduct'
import { ok, refuse, type Result } from '@/core/problem'
import { addCorrectedAmounts, amountsOf, recordById } from '@/db/queries/record'
import { enterRecord, refusedToSign } from './ledger/enter'
import { verb, type Context } from './verb'

/**
 * Corrects a record: a new signed entry that points at the old one, with a reason. The old one stands. An amount that is
 * corrected counts from then on, toward the limits of the ground and what a tree may still get.
 */
export const correctRecordVerb = verb({
  roles: ['crew lead', 'arborist'],
  signs: true,
  about: (i) => i.recordId,
  input: correctRecordAsks,
  makes: (i) => i.id,
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, now, today, afterwards } = context
    const record = await recordById(sql, input.recordId)
    if (!record) return refuse('unknown', 'recordId', 'There is no such record.')
    if (record.kind === 'correction')
      return refuse('not-allowed', 'recordId', 'Correct the first entry, not its correction.')
    const refused = refusedToSign(person, today)
    if (refused) return refused
    const amounts = await readAmounts(context, record.applicationId, input.amounts)
    if (!amounts.ok) return amounts
    await enterRecord(
      sql,
      {
        id: input.id,
        firmId: person.firmId,
        kind: 'correction',
        corrects: record.id,
        treeId: record.treeId,
        siteId: record.siteId,
        applicationId: null,
        signedAt: now,
        signedBy: person.id,
        body: {
          applicator: { name: person.name, licence: person.licence! },
          reason: input.reason,
          correction: input.correction,
          ...(amounts.value.length > 0 && {
            amounts: amounts.value.map(({ tag, was, amount, activeKg, kind, method }) => ({
              tag,
              was,
              amount,
              activeKg,
              kind,
              method,
            })),
          }),
        },
      },
      afterwards,
    )
    if (amounts.value.length > 0)
      await addCorrectedAmounts(sql, {
        recordId: input.id,
        applicationId: record.applicationId!,
        firmId: person.firmId,
        at: now,
        amounts: amounts.value,
      })
    return ok({ id: input.id })
  },
})

/** What was typed for each tree, with what it was before; active goes with the amount. */
async function readAmounts(
  { sql, person }: Pick<Context, 'sql' | 'person'>,
  applicationId: string | null,
  typedAmounts: readonly { subjectId: string; amount: string }[],
) {
  if (typedAmounts.length === 0) return ok([])
  const now = applicationId === null ? [] : await amountsOf(sql, applicationId)
  const read = []
  for (const { subjectId, amount } of typedAmounts) {
    const subject = now.find((s) => s.subjectId === subjectId)
    if (!subject) return refuse('unknown', 'amounts', 'This record is not of that tree.')
    const value = readProduct(amount, subject, 'amounts', `What ${subject.tag} got`)
    if (!value.ok) return value
    const { si } = value.value
    if (si < 0)
      return refuse(
        'out-of-range',
        'amounts',
        `${subject.tag} cannot have got less than nothing; type the amount.`,
      )
    // Ten times the plan is a slip of the unit, not what a crew put on.
    if (si > Math.max(subject.planned, subject.amount) * 10)
      return refuse(
        'out-of-range',
        'amounts',
        `${subject.tag} was to get ${showProduct(subject.planned, subject.kind, subject.method, person.units)}; ten times that cannot be. Check the unit.`,
      )
    read.push({
      ...subject,
      was: subject.amount,
      amount: si as number,
      activeKg:
        subject.plannedActive === null || subject.planned === 0
          ? null
          : (subject.plannedActive * si) / subject.planned,
    })
  }
  return ok(read)
}
