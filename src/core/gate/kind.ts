import { sameActive } from '../actives/actives'
import { closed, asked, type Rule } from './question'

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
