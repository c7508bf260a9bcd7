export const PIN_KINDS = ['done', 'planned', 'due', 'promised'] as const
export type PinKind = (typeof PIN_KINDS)[number]
export const PIN_NAME: Record<PinKind, string> = {
  done: 'Done',
  planned: 'On a day',
  due: 'Due again',
  promised: 'Promised',
}

/** A work of a kind on its day. */
export interface Placed {
  on: string
  kind: PinKind
  words: string
  day: number
}

/** A pin by its form: filled when done, a ring when on a day, a square when due, a bar when promised. */
export function PinSign({ kind }: { kind: PinKind }) {
  switch (kind) {
    case 'done':
      return <circle r={6} className="fill-moss" />
    case 'planned':
      return <circle r={5.2} className="fill-sheet stroke-rust" strokeWidth={2.4} />
    case 'due':
      return (
        <rect
          x={-5}
          y={-5}
          width={10}
          height={10}
          transform="rotate(45)"
          className="fill-sheet stroke-straw"
          strokeWidth={2.2}
        />
      )
    case 'promised':
      return <rect x={-2.5} y={-7} width={5} height={14} className="fill-ink2" />
  }
}
