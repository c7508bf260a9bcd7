import type { Problem, Result } from '@/core/problem'
import type { Answer, Calculator, Tools } from './calculator'
import { problemOfRequest } from './fields'
import { bark } from './calculators/bark'
import { cap } from './calculators/cap'
import { cover } from './calculators/cover'
import { degreeDays } from './calculators/degreeDays'
import { diagnose } from './calculators/diagnose'
import { drench } from './calculators/drench'
import { feed } from './calculators/feed'
import { gate } from './calculators/gate'
import { guard } from './calculators/guard'
import { injection } from './calculators/injection'
import { intervals } from './calculators/intervals'
import { loadout } from './calculators/loadout'
import { ports } from './calculators/ports'
import { price } from './calculators/price'
import { response } from './calculators/response'
import { share } from './calculators/share'
import { soilInjection } from './calculators/soilInjection'
import { soilwork } from './calculators/soilwork'
import { spray } from './calculators/spray'
import { sprayHours } from './calculators/sprayHours'
import { stock } from './calculators/stock'
import { trunk } from './calculators/trunk'
import { water } from './calculators/water'
import { week } from './calculators/week'
import { window } from './calculators/window'
import { worth } from './calculators/worth'

/** Every calculator, in the order of the work. */
export const CALCULATORS: readonly Calculator[] = [
  trunk,
  injection,
  ports,
  drench,
  soilInjection,
  bark,
  cap,
  share,
  stock,
  spray,
  feed,
  soilwork,
  water,
  guard,
  degreeDays,
  sprayHours,
  cover,
  window,
  week,
  intervals,
  gate,
  worth,
  price,
  loadout,
  response,
  diagnose,
]

const byName = new Map(CALCULATORS.map((c) => [c.name, c]))

/** The calculator of a name, or undefined. */
export function calculatorNamed(name: string): Calculator | undefined {
  return byName.get(name)
}

/**
 * Puts one question to a calculator: the answer with its working, or the first problem with its field.
 * @example ask('water', { diameter: '3 in', gallonsPerInch: 10, emitters: 4, flow: '1 gal/hour' }) // 30 gal, 7.5 h
 */
export function ask(name: string, body: unknown, tools?: Tools): Result<Answer> {
  const found = byName.get(name)
  if (!found) {
    const problem: Problem = {
      code: 'unknown',
      field: 'name',
      message: `There is no calculator "${name.slice(0, 40)}".`,
    }
    return { ok: false, problem }
  }
  return found.ask(body, problemOfRequest, tools)
}
