import { isHand } from '../methods/names'
import { activeOf } from '../actives/actives'
import { capital } from '../capital'
import type { ProductClass } from '../diagnose/almanac'
import { opens } from '../methods/goes'
import { answersFinding, handMethod } from '../methods/hand'
import { putOnMethod } from '../methods/putOn'
import { closed, type Found, type Question, type Rule } from './question'
import { kindsOf, waysHere } from './ways'

/** How the almanac calls a product there. */
const PRODUCT_CLASS: Readonly<Record<string, ProductClass>> = {
  insecticide: 'insecticide',
  miticide: 'miticide',
  fungicide: 'fungicide',
  bactericide: 'bactericide',
}

/** A way or an active that does nothing for the cause is not put on. Source: handbook, class guard; ways on causes. */
export const cause: Rule = {
  name: 'cause',
  words: 'What does nothing for the cause is not done.',
  look: (q) => [...guarded(q), ...notAWay(q), ...notByThis(q)],
}

function guarded({ cause, method, product }: Question): Found[] {
  if (isHand(method)) return []
  const here = waysHere({ cause, method, product })
  const classes: ProductClass[] = []
  // What only feeds, and what is of no kind the guard knows, stands or falls with its way.
  const { refusedAs } = putOnMethod(method)
  const guardsWay = refusedAs !== 'soil' || (!product?.feeds && !(product?.kind === null && here.length > 0))
  if (guardsWay) classes.push(refusedAs)
  const own = product?.kind && PRODUCT_CLASS[product.kind]
  if (own && here.length === 0) classes.push(own)
  const against = classes.find((c) => cause.refuses[c] !== undefined && !cause.bears.includes(c))
  if (!against) return []
  return [
    closed(
      'cause',
      opens(method) === 'trunk' && against === 'injection'
        ? `No injection for this cause: ${cause.refuses[against]}`
        : `Not for this cause: ${cause.refuses[against]}`,
      '',
      { field: 'label' },
    ),
  ]
}

const OWN_WAY = 'Choose another; if the firm knows better, add a way of its own under Almanac.'

function notAWay({ cause, method, product, facts }: Question): Found[] {
  if (answersFinding(method, facts.there ?? [])) return []
  // Beside another way a feed takes the place of none; what only looks is for every cause.
  if (cause.ways.length === 0 || product?.feeds || (isHand(method) && handMethod(method).anyCause)) return []
  const byMethod = cause.ways.filter((w) => w.method === method)
  if (byMethod.length === 0)
    return [closed('cause', 'The almanac knows no such way on this cause: it does nothing for it.', OWN_WAY)]
  if (!product || product.actives.length === 0) return []
  const kinds = kindsOf(product)
  if (kinds === null || waysHere({ cause, method, product }).length > 0) return []
  const works = [...new Set(byMethod.flatMap((w) => w.kinds ?? []))]
  return [
    closed(
      'cause',
      `${capital(product.actives[0]!.name)} does nothing for this cause by this way; what works is ${works.join(', ')}.`,
      OWN_WAY,
    ),
  ]
}

function notByThis({ method, product }: Question): Found[] {
  if (isHand(method)) return []
  const lost = product?.actives.filter(({ name }) => activeOf(name)?.by?.includes(method) === false) ?? []
  return lost.length > 0 && lost.length === product!.actives.length
    ? [
        closed(
          'cause',
          `${capital(lost[0]!.name)} does not work put on in this way.`,
          'Choose another card or another way.',
        ),
      ]
    : []
}
