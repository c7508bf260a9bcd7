/** Kinds whose wood turns brittle as a cause kills them. Source: handbook, trees that may fail. */
const BRITTLE: readonly { cause: string; host: string; why: string }[] = [
  {
    cause: 'emerald-ash-borer',
    host: 'ash',
    why: 'An ash that the borer kills turns brittle within a year or two: nobody climbs it, nobody works beneath it. It comes down from a lift or by machine, with the drop zone closed.',
  },
  {
    cause: 'ash-dieback',
    host: 'ash',
    why: 'A dying ash is brittle, its base often rotten: nobody climbs it. It comes down from a lift or by machine, with the drop zone closed.',
  },
]

/** Why nobody climbs a tree of a kind that died of a cause; null where its wood stays sound for a while. `brittleOf('emerald-ash-borer', 'ash')` */
export function brittleOf(cause: string, host: string): string | null {
  return BRITTLE.find((b) => b.cause === cause && b.host === host)?.why ?? null
}
