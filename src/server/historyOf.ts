import { isHand } from '@/core/methods/names'
import type { OwnEntry } from '@/almanac/ownEntry'
import { retreatDays } from '@/almanac/retreat'
import { waysOf } from '@/almanac/ways'
import type { Method } from '@/core/card/card'
import { productFacts } from '@/core/gate/product'
import type { CauseFacts, ProductFacts } from '@/core/gate/question'
import { lastsDays } from '@/core/gate/history'
import { dueAgain } from '@/core/history/dueAgain'
import type { Keeps, Use } from '@/core/history/use'
import { isShallow } from '@/core/methods/barrier/barrier'
import { handMethod } from '@/core/methods/hand'
import { handTerms } from '@/core/methods/handTerms'
import type { UseOf } from '@/core/methods/plan'
import { isSpray } from '@/core/methods/systemic'
import type { ProductRow, UseRow } from '@/db/queries/card'
import type { EarlierRow } from '@/db/queries/prescription'

/** The product of a card as gate and history know it; null for work without one. */
export function productOf(use: Pick<UseOf<Method>, 'method'>, product: ProductRow): ProductFacts | null {
  return isHand(use.method) ? null : productFacts(product)
}

/** For how many days a use of a card works on a cause, by the almanac; null where it does not say. */
export function retreatOf(
  cause: Pick<CauseFacts, 'id' | 'ways'>,
  { use, product }: Pick<UseRow, 'use' | 'product'>,
): number | null {
  return retreatDays(cause.id, use.method, productOf(use, product), cause.ways)
}

/** What a use keeps from others by its card. */
export function keepsOf(use: UseOf<Method>): Keeps {
  const method = isHand(use.method) ? handMethod(use.method) : null
  const terms = method?.sprayDays && handTerms(method, use.terms)
  return {
    leastDays: use.limits?.leastDays,
    apart: use.apart,
    ...(terms && terms.ok && { sprayDays: method.sprayDays!(terms.value) }),
  }
}

/** A use of a card against a cause, as history keeps it. */
export function usedAs(
  cause: Pick<CauseFacts, 'id' | 'ways'>,
  row: Pick<UseRow, 'use' | 'product'>,
  more: Pick<Use, 'workId' | 'signedIn' | 'on' | 'state' | 'from' | 'amount' | 'treated' | 'failed'>,
): Use {
  const { use, product } = row
  const facts = productOf(use, product)
  const again = dueAgain(use, retreatOf(cause, row))
  return {
    ...more,
    cause: cause.id,
    method: use.method,
    code: product.code,
    name: product.name,
    actives: facts?.actives ?? [],
    kind: facts?.kind ?? null,
    lastsDays: lastsDays({ method: use.method, product: facts, again }),
    sprayed: isSpray(use.method),
    feeds: facts?.feeds ?? false,
    keeps: keepsOf(use),
  }
}

/** Work of a tree as history keeps it. */
export function useOf(e: EarlierRow, own: readonly OwnEntry[]): Use {
  const promised = e.occurrenceId !== null
  return {
    ...usedAs({ id: e.cause, ways: waysOf(e.cause, own) }, e, {
      workId: e.jobSubjectId,
      signedIn: e.prescriptionId,
      on: e.on,
      state: promised ? 'promised' : e.seq === null ? 'on a day' : 'done',
      from: promised ? 'promised' : e.seq === null ? 'with the crew' : `record ${e.seq}`,
      amount: e.amount,
      treated: (e.outcome === null || e.outcome === 'treated') && !isShallow(e.reached),
      failed: e.failed,
    }),
    ...(promised && { to: e.to ?? e.on, occurrenceId: e.occurrenceId! }),
  }
}
