import type { Working } from '@/core/working/working'

/** The working of a figure on a narrow strip of paper: one step a line, with its numbers and where they came from. */
export function Slip({
  working,
  title,
  about,
  id,
}: {
  working: Working
  title: string
  about: string
  id?: string
}) {
  return (
    <section
      id={id}
      aria-label={`${title}, ${about}`}
      data-slip
      className="relative bg-paper border border-line border-b-0 pb-3 mb-3"
    >
      <header className="flex justify-between items-baseline px-4 pt-3 pb-1 gap-3">
        <h2>{title}</h2>
        <span className="text-small text-ink2">{about}</span>
      </header>
      <ol className="px-4">
        {working.map((step, i) => (
          <li key={i} className="py-1.5 border-b border-dotted border-line last:border-b-0">
            <div className="text-small text-ink2">{step.label}</div>
            <div className="flex flex-wrap justify-between items-baseline gap-x-3">
              <span className="text-small leading-snug">{step.expression}</span>
              <span className="ml-auto text-right font-head font-bold text-base">{step.result}</span>
            </div>
            {(step.from ?? step.source) && (
              <div className="text-small leading-tight text-straw">{step.from ?? step.source}</div>
            )}
          </li>
        ))}
      </ol>
      <TornEdge />
    </section>
  )
}

function TornEdge() {
  return (
    <svg
      className="absolute left-[-1px] right-[-1px] top-full w-[calc(100%+2px)] h-[9px]"
      viewBox="0 0 280 9"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <path
        d={`M0,0${Array.from({ length: 20 }, (_, i) => `L${i * 14 + 7},8L${i * 14 + 14},0`).join('')}`}
        fill="var(--color-paper)"
        stroke="var(--color-line)"
        strokeWidth="1"
      />
    </svg>
  )
}
