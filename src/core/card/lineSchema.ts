import { z } from 'zod'
import type { Line } from '../methods/lines'
import { quantity, whole, words } from './written'

/** The lines of a house card, held to be written right; a card keeps the words. */
export function schemaOf(lines: readonly Line[]) {
  return z.strictObject(
    Object.fromEntries(
      lines.map((line) => {
        const of = partOf(line)
        return [line.name, line.optional ? of.optional() : of]
      }),
    ),
  )
}

function partOf(line: Line): z.ZodType<string | number> {
  switch (line.kind) {
    case 'length':
    case 'reach':
      return quantity('length')
    case 'volume':
      return quantity('volume')
    case 'count':
      return whole(line.least ?? 0, line.most ?? 1000)
    case 'choice':
      return z.enum(line.options as [string, ...string[]], {
        error: `${line.label} is one of ${line.options!.join(', ')}.`,
      })
    case 'words':
      return words(300)
  }
}
