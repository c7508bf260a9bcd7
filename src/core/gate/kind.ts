import { sameActive } from '../actives/actives'
import type { Way } from '../decide/way'
import { closed, asked, type HostFacts, type Rule } from './question'

/** What a kind of tree does not bear, and whether it is that kind at all. Source: handbook, sensitive kinds; look-alikes. */
export const kind: Rule = {
  name: 'kind',
  words: 'A kind that does not bear a product does not get it; look-alikes are told apart first.',
  look: ({ host, product, facts, cause }) => [
    ...(cause.onKind
      ? []
      : [
          asked(
            'sort',
            `${cause.name} is not known from ${host.name.toLowerCase()}: is it that, on this tree?`,
          ),
        ]),
    ...(facts.kindOpen
      ? [
          closed(
            'kind',
            'Confirm what kind of tree it is first: it has look-alikes that this treatment does nothing for.',
            '',
            { field: 'identity', code: 'missing' },
          ),
        ]
      : []),
    ...(product?.actives ?? []).flatMap((active) =>
      (host.notBorne ?? [])
        .filter((n) => sameActive(n.active, active.key))
        .map((n) =>
          n.ask ? asked('sort', n.why) : closed('kind', n.why, `Choose a card without ${active.name}.`),
        ),
    ),
  ],
}

/**
 * Whether a kind of tree bears a way of the almanac: at least one of the actives it names is not on the list of what burns it. What only
 * some sorts of it do not bear is asked when it is chosen.
 * @example isBorne({ kinds: ['horticultural oil'] }, hostFacts('walnut')) // false
 */
export function isBorne(
  { kinds }: Pick<Way, 'kinds'>,
  { notBorne = [] }: Pick<HostFacts, 'notBorne'>,
): boolean {
  const burns = (active: string) => notBorne.some((n) => !n.ask && sameActive(n.active, active))
  return kinds === undefined || kinds.length === 0 || kinds.some((k) => !burns(k))
}
