import { z } from 'zod'
import type { OwnEntry } from '@/almanac/ownEntry'
import type { Problem, Result } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import { quantityIn, type PairedUnit, type Quantity } from '@/core/quantity/pair'
import type { Planning } from '@/core/week/planWeek'
import type { Working } from '@/core/working/working'
import { step, units } from './fields'

/** The fields of a request beside `units`, and of an answer beside `working`. */
type Shape = Record<string, z.ZodType>

/** Turns SI figures into those of the answer: `figures(0.0254, 'in')` is `{ value: 1, unit: 'in' }`. */
export type Figures = (si: number, us: PairedUnit) => Quantity

/**
 * What a calculator is given by whoever runs it, where there is somebody: who solves linear programs, who helps beside, what the
 * firm has added to the almanac.
 */
export type Tools = Pick<Planning, 'program' | 'helper'> & { own?: readonly OwnEntry[] }

export interface CalculatorParts<R extends Shape, A extends Shape> {
  name: string
  title: string
  /** What it works out and how, for people who read the API. */
  description: string
  request: R
  answer: A
  /** A request that works. */
  example: unknown
  work: (
    input: z.output<z.ZodObject<R>>,
    units: UnitSystem,
    figures: Figures,
    tools: Tools,
  ) => Result<z.input<z.ZodObject<A>> & { working: Working }>
}

/** One calculator: how it is asked, how it answers, and the work between, which is the core's. */
export interface Calculator {
  name: string
  title: string
  description: string
  request: z.ZodObject
  answer: z.ZodObject
  example: unknown
  ask: (
    body: unknown,
    problemOf: (error: z.ZodError, body: unknown) => Problem,
    tools?: Tools,
  ) => Result<Answer>
}

export type Answer = Record<string, unknown> & {
  working: { label: string; expression: string; result: string }[]
}

/** Makes a calculator: unknown fields are refused, units are read, the working keeps what people can redo. */
export function calculator<R extends Shape, A extends Shape>(parts: CalculatorParts<R, A>): Calculator {
  const request = z.strictObject({ ...parts.request, units: units() })
  const answer = z.strictObject({ ...parts.answer, working: z.array(step) })
  return {
    name: parts.name,
    title: parts.title,
    description: parts.description,
    request: request,
    answer: answer,
    example: parts.example,
    ask: (body, problemOf, tools = {}) => {
      const read = request.safeParse(body)
      if (!read.success) return { ok: false, problem: problemOf(read.error, body) }
      const system: UnitSystem = (read.data as { units?: string }).units === 'si' ? 'metric' : 'us'
      const result = parts.work(
        read.data as unknown as z.output<z.ZodObject<R>>,
        system,
        (si, us) => quantityIn(si, us, system),
        tools,
      )
      if (!result.ok) return result
      const { working, ...rest } = result.value
      return {
        ok: true,
        value: {
          ...rest,
          working: working.map(({ label, expression, result: r }) => ({ label, expression, result: r })),
        },
      }
    },
  }
}

/** How many stems, trees, days and the like one question may hold. */
export const MOST_ROWS = 2000
