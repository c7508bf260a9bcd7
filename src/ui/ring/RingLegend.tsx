import type { ReactNode } from 'react'
import type { RingMark } from '@/core/ports/marks'

/** What the signs on a ring mean, in words. */
export function RingLegend({
  marks,
  holes,
  ports,
  beside = false,
}: {
  marks: readonly RingMark[]
  holes: readonly unknown[]
  ports: boolean
  beside?: boolean
}) {
  const has = (kind: RingMark['kind']) => marks.some((m) => m.kind === kind)
  const entry = (sign: ReactNode, text: string) => (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
      <svg width="20" height="16" viewBox="0 0 20 16" aria-hidden="true">
        {sign}
      </svg>
      {text}
    </span>
  )
  return (
    <p className="flex flex-wrap justify-center gap-x-4 gap-y-1 text-small text-ink2">
      {ports && entry(<circle cx="10" cy="8" r="5.5" fill="var(--color-rust)" />, 'this visit')}
      {beside &&
        entry(
          <path d="M10,2L16,13H4Z" fill="var(--color-paper)" stroke="var(--color-moss)" strokeWidth="2" />,
          'feed capsule beside',
        )}
      {holes.length > 0 &&
        entry(
          <circle
            cx="10"
            cy="8"
            r="5.5"
            fill="var(--color-sapwood)"
            stroke="var(--color-bark)"
            strokeWidth="1.5"
          />,
          'earlier hole, years',
        )}
      {has('dead') &&
        entry(
          <rect x="3" y="2" width="14" height="12" fill="url(#dead-wood)" stroke="#3f3126" />,
          'dead wood',
        )}
      {has('thin') &&
        entry(
          <path
            d="M1,12Q10,0 19,12"
            fill="none"
            stroke="#8fa256"
            strokeWidth="5"
            strokeDasharray="2.6 2.6"
          />,
          'thin crown above',
        )}
      {has('girdling') &&
        entry(
          <path d="M2,6Q10,14 18,6" fill="none" stroke="#6b5037" strokeWidth="5" strokeLinecap="round" />,
          'girdling root',
        )}
    </p>
  )
}
