import { refuse, type Result } from '@/core/problem'
import { spokenDate } from '@/core/time/calendar'
import type { FirmSql } from '@/db/client'
import type { PersonRow } from '@/db/queries/person'
import { addRecord, type NewRecord } from '@/db/queries/record'
import { addSeal } from '@/db/queries/seal'
import { log } from '../log'
import { seal } from './seal'
import { appendSeals } from './sealFile'
import type { Correction, NewApplication } from './body'

/** Why a person may not sign a record, or null: a licence must be on file and must not have run out. */
export function refusedToSign(
  person: Pick<PersonRow, 'licence' | 'licenceUntil'>,
  today: string,
): Result<never> | null {
  if (!person.licence)
    return refuse(
      'not-allowed',
      'role',
      'Your licence is not on file; the office enters it before you can sign.',
    )
  if (person.licenceUntil !== null && person.licenceUntil < today)
    return refuse(
      'not-allowed',
      'role',
      `Your licence ran out on ${spokenDate(person.licenceUntil)}; somebody whose licence holds signs, or the office enters the new one.`,
    )
  return null
}

/**
 * Enters a record in the ledger and seals it. The seal goes to the file outside the database as soon as the entry is sure
 * to stand; a copy that is cut off between is made up for by the next check.
 */
export async function enterRecord(
  sql: FirmSql,
  record: Omit<NewRecord, 'kind' | 'body'> &
    ({ kind: 'application'; body: NewApplication } | { kind: 'correction'; body: Correction }),
  afterwards: (act: () => Promise<void>) => void,
): Promise<{ seq: number; hash: string }> {
  const entered = await addRecord(sql, record)
  const sealed = seal({ firmId: record.firmId, ...entered, sealedAt: new Date() })
  await addSeal(sql, sealed)
  afterwards(async () => {
    try {
      await appendSeals([sealed])
    } catch (error) {
      log.error({ ledger: 'the seal could not be written to its file', error: (error as Error).message })
    }
  })
  return entered
}
