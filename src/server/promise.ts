import { v7 as uuidv7 } from 'uuid'
import { addDays, addYears } from '@/core/time/calendar'
import { addFollowUp } from '@/db/queries/followUp'
import type { Context } from './verb'

export interface PromisedCheck {
  afterDays?: number
  afterYears?: number
  what: string
  expectation: {
    question: string
    unit: string
    sense: 'at-least' | 'at-most'
    expected: number
    tolerated: number
    least: number
    most: number
  }
}

/** The checks an injection promises, with what is expected at each. Crown shares in steps of 5 %. */
export function expectationsOf(liveCrown: number, retreatYears: number): PromisedCheck[] {
  return [
    {
      afterDays: 0,
      what: 'Bottles and tubes left in the tree',
      expectation: {
        question: 'How many bottles or tubes are still in the tree this evening?',
        unit: 'left',
        sense: 'at-most',
        expected: 0,
        tolerated: 0,
        least: 0,
        most: 200,
      },
    },
    {
      afterDays: 14,
      what: 'Leaf scorch after the injection',
      expectation: {
        question: 'What share of the leaves shows new brown margins?',
        unit: '%',
        sense: 'at-most',
        expected: 5,
        tolerated: 15,
        least: 0,
        most: 100,
      },
    },
    {
      afterYears: 1,
      what: 'Live crown next summer',
      expectation: {
        question: 'What share of the crown is alive, in steps of 5 %?',
        unit: '%',
        sense: 'at-least',
        expected: Math.max(5, liveCrown - 5),
        tolerated: Math.max(0, liveCrown - 15),
        least: 0,
        most: 100,
      },
    },
    {
      afterYears: retreatYears,
      what: `Treat again, ${retreatYears} ${retreatYears === 1 ? 'year' : 'years'} on`,
      expectation: {
        question: 'What share of the crown is alive before treating again, in steps of 5 %?',
        unit: '%',
        sense: 'at-least',
        expected: Math.max(5, liveCrown - 5),
        tolerated: Math.max(0, liveCrown - 20),
        least: 0,
        most: 100,
      },
    },
  ]
}

/** Writes the promised checks of a finished application into the calendar. */
export async function promiseChecks(
  { sql, person }: Pick<Context, 'sql' | 'person'>,
  p: { treeId: string; prescriptionId: string; on: string; checks: PromisedCheck[] },
): Promise<void> {
  for (const check of p.checks)
    await addFollowUp(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      treeId: p.treeId,
      prescriptionId: p.prescriptionId,
      dueOn:
        check.afterYears !== undefined
          ? addYears(p.on, check.afterYears)
          : addDays(p.on, check.afterDays ?? 0),
      what: check.what,
      expectation: check.expectation,
    })
}
