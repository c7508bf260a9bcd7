import { isHand } from '@/core/methods/names'
import { hostName } from '@/almanac/hosts'
import { namesHost } from '@/core/card/namesHost'
import { said } from '@/core/gate/gate'
import { isLook, type Seen } from '@/core/gate/looks'
import { ENDS_ALL } from '@/core/decide/propose'
import { anewOf } from '@/core/plan/anew'
import { refuse, type Result } from '@/core/problem'
import { showGirth, type UnitSystem } from '@/core/quantity/format'
import { addDays, dateIn } from '@/core/time/calendar'
import type { FirmSql } from '@/db/client'
import { decisionsOfTree, type DecisionRow } from '@/db/queries/assessment'
import { newestVersion } from '@/db/queries/card'
import type { JobSubjectRow } from '@/db/queries/job'
import { newestReadings, readingById } from '@/db/queries/reading'
import { DECIDED } from './decided'
import type { limitsPassed } from './groundLimits'
import { against, gateOf, NOTICE_GIVEN_DAYS, outOfItsOwnWay } from './mayGoOn'
import type { TreeAtHand } from './treesAtHand'
import type { Context } from './verb'

/**
 * True for a decision that takes the place of what was signed for a cause: one on the same cause, or one that ends in a removal or an
 * assessor. A decision on another cause leaves it as it is.
 */
const supersedes = (d: Pick<DecisionRow, 'cause' | 'action'>, of: { cause: string }) =>
  d.cause === of.cause || ENDS_ALL.includes(d.action)

/** Why nothing more may be opened on a tree, or null: the prescription was taken back, or the arborist decided anew. */
export async function whyStopped(
  sql: FirmSql,
  subject: Pick<JobSubjectRow, 'subjectStatus' | 'treeId' | 'decisionId' | 'cause'>,
): Promise<Result<never> | null> {
  if (subject.subjectStatus === 'withdrawn')
    return refuse(
      'conflict',
      'prescription',
      'The arborist has taken this prescription back. Open nothing more; what is in the tree is pulled and counted.',
    )
  const newest = (await decisionsOfTree(sql, subject.treeId)).find((d) => supersedes(d, subject))
  if (newest && newest.id !== subject.decisionId)
    return refuse(
      'conflict',
      'prescription',
      `${newest.signedBy} has decided anew since this was prescribed: ${DECIDED[newest.action].toLowerCase()}. Open nothing more; what is in the tree is pulled and counted. Ask the arborist.`,
    )
  return null
}

/** Why a card must not be worked by any more, or null: a newer version of it is on the shelf. */
export async function supersededCard(
  sql: FirmSql,
  { product }: Pick<JobSubjectRow, 'product'>,
): Promise<string | null> {
  const newest = await newestVersion(sql, product.code)
  return newest > product.version
    ? `Card ${product.code} v${product.version} was replaced by v${newest}.`
    : null
}

/**
 * Why nothing may be begun at a tree today, or null: taken back, decided anew, its card replaced, its reading too old, or the gate of
 * this day closes it, asked with what whoever begins it sees there.
 */
export async function whyNotBegun(
  { sql, person, now }: Pick<Context, 'sql' | 'person' | 'now'>,
  subject: JobSubjectRow,
  /** The tree with what its gate rests on. */
  hand: TreeAtHand,
  seen: Seen,
  /** Whether all that is planned is more than the ground may get; the same for all trees that are begun together. */
  passed: ReturnType<typeof limitsPassed>,
): Promise<Result<never> | null> {
  const stopped = await whyStopped(sql, subject)
  if (stopped) return stopped
  if (subject.onlyIf !== null && subject.releasedAt === null)
    return refuse(
      'not-allowed',
      'onlyIf',
      `This is only done if: ${subject.onlyIf}. The crew lead says what was found and releases it, or hands it back.`,
    )
  const superseded = await supersededCard(sql, subject)
  if (superseded)
    return refuse('conflict', 'label', `${superseded} Open nothing; the arborist prescribes by the new card.`)
  const anew = await workedOutAgain(sql, subject, person.units)
  if (anew) return anew
  const today = dateIn(subject.timeZone, now)
  const { closed, asks } = gateOf(
    // Who had to be told before was told when the day was set.
    {
      ...against(outOfItsOwnWay(hand, { workIds: [subject.id] }), subject.cause),
      today: addDays(today, -NOTICE_GIVEN_DAYS),
    },
    { id: subject.useId, use: subject.use, product: subject.product },
    {
      on: today,
      begins: true,
      units: person.units,
      harvestOn: subject.harvestOn,
      seen: { ...soilNow(hand, now), ...seen },
    },
  )
  if (closed[0])
    return refuse('not-allowed', 'rule', `${said(closed[0])} Hand it back, with this as the reason.`)
  const over = await passed({ ...subject, siteId: hand.tree.siteId }, today)
  if (over)
    return refuse(
      'over-label',
      'limit',
      `${over} Begin nothing; hand trees back until it fits, with this as the reason.`,
    )
  const ask = asks.find((a) => isLook(a.field))
  if (ask) return refuse('missing', `seen.${ask.field}`, `Look at the tree first: ${ask.message}`)
  // Work by hand has no dose.
  return isHand(subject.method) ? null : staleReading(sql, subject.readingId, now)
}

/** How the soil is by the weather of this hour, where that is known; what is seen there comes before it. */
function soilNow(hand: TreeAtHand, now: Date): Seen {
  const hour = hand.weather?.at(now)
  return hour ? { soil: hour.soil } : {}
}

/**
 * Whether a dose must be worked out again before anything is begun, or null: the trunk was measured anew and is of another
 * size, or it turned out to be a kind of tree that the card does not name.
 */
async function workedOutAgain(
  sql: FirmSql,
  subject: JobSubjectRow,
  units: UnitSystem,
): Promise<Result<never> | null> {
  const [newest] = await newestReadings(sql, [subject.treeId])
  const diameter = newest ? Math.hypot(...newest.stemsM) : 0
  const anew = anewOf({
    planned: { readingId: subject.readingId, diameter: subject.plan.diameter },
    newest: newest ? { id: newest.id, diameter } : null,
    namesHost: namesHost(subject.use, subject.host),
    cardReplaced: false,
    // Asked with the gate of today.
    closedByRule: false,
    overLimit: false,
  })
  if (anew === 'kind')
    return refuse(
      'conflict',
      'prescription',
      `It is a ${hostName(subject.host).toLowerCase()} now, which the card does not name. Begin nothing; the arborist prescribes anew.`,
    )
  return anew === 'size'
    ? refuse(
        'conflict',
        'reading',
        `The trunk was measured anew since this was prescribed: ${showGirth(diameter, units)} through instead of ${showGirth(subject.plan.diameter, units)}. The dose must be worked out again: the arborist takes it back and prescribes anew.`,
      )
    : null
}

/** The reading the dose rests on, not the newest one, must be of this year. */
async function staleReading(sql: FirmSql, readingId: string, now: Date) {
  const reading = await readingById(sql, readingId)
  const years = reading ? (now.getTime() - reading.readAt.getTime()) / (365.25 * 86_400_000) : Infinity
  return years > 1.01
    ? refuse(
        'out-of-range',
        'reading',
        'The reading is more than a year old; measure the trunk again and have it prescribed anew.',
      )
    : null
}
