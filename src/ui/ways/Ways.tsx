import { METHOD_NAME } from '@/core/methods/names'
import type { Method } from '@/core/card/card'
import { acts, hasBench, type Way, type WayMethod } from '@/core/decide/way'

/** A way of working as it is called. */
export function wayName(method: WayMethod): string {
  return hasBench(method) ? METHOD_NAME[method] : BESIDE[method]
}

const BESIDE: Record<Exclude<WayMethod, Method>, string> = {
  refer: 'Refer',
}

/** The ways of the almanac on a cause, the best first: what is done, with what, when, on which trees, what first, how often. */
export function Ways({ ways, title = 'Ways' }: { ways: readonly Way[]; title?: string }) {
  if (ways.length === 0) return null
  return (
    <section>
      <h2 className="border-b border-ink2 pb-1">{title}</h2>
      <ul>
        {ways.map((way) => (
          <li
            key={`${way.method} ${way.what}`}
            className="grid sm:grid-cols-[132px_minmax(0,1fr)] gap-x-3 py-1.5 border-b border-line2"
          >
            <span>
              <b className="block">{wayName(way.method)}</b>
              {acts(way) && <span className="text-small text-ink2">{way.well}</span>}
            </span>
            <span>
              {way.what}
              <span className="block text-small text-ink2">
                {[way.kinds?.join(' or '), way.when, way.on, way.first && `first: ${way.first}`, way.again]
                  .filter(Boolean)
                  .join(' · ')}
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
