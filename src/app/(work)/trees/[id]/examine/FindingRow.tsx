import { afterPage } from '@/ui/pieces/afterPage'
import { FigureLater } from '@/ui/figures/FigureLater'
import { Link } from '@/ui/pieces/Link'
import { detailWords, type FindingDetail } from '@/core/diagnose/detail'
import type { Finding, FindingState } from '@/core/diagnose/almanac'
import type { Known } from '@/core/diagnose/examination'
import { StateChoice } from '@/ui/fields/StateChoice'
import { FIGURED } from '@/ui/figures/figured'
import { Button } from '@/ui/pieces/Button'

const Detail = afterPage(() => import('./Detail'), 'Detail')

/**
 * One finding of the walk: what to look for, what is known of it already, the four states, how much and where. Nothing in it
 * moves when it is pressed.
 */
export function FindingRow({
  finding,
  index,
  current,
  state,
  disabled,
  onFocus,
  onSet,
  detail,
  onNote,
  refused,
  known,
  knownFrom,
  onKnown,
}: {
  refused: boolean
  /** What the ring or the last examination tells of it. */
  known: Known | undefined
  /** In words: where that is known from. */
  knownFrom: string
  onKnown: () => void
  detail: FindingDetail
  onNote: (detail: FindingDetail) => void
  finding: Finding
  index: number
  current: boolean
  state: FindingState
  disabled: boolean
  onFocus: () => void
  onSet: (state: FindingState) => void
}) {
  return (
    <li
      data-row={index}
      className={`py-2.5 border-b border-line grid md:grid-cols-[minmax(0,1fr)_auto] gap-x-5 gap-y-2 items-center pl-3 border-l-[3px] ${current ? 'border-l-rust bg-sheet' : 'border-l-transparent'}`}
    >
      <div className="flex gap-3 items-start">
        {FIGURED.has(finding.id) && (
          <span className="w-16 h-12 shrink-0">
            <FigureLater finding={finding.id} size={64} />
          </span>
        )}
        <div className="min-w-0">
          <p className="font-bold">
            <Link
              href={`/almanac/finding/${finding.id}`}
              className="no-underline hover:underline"
              tabIndex={-1}
            >
              {finding.name}
            </Link>
          </p>
          <p className="text-small text-ink2">{finding.question}</p>
          {known && !disabled && (
            <p className="text-small flex flex-wrap items-center gap-x-2 mt-1">
              <span>
                {knownFrom}:{' '}
                <b>
                  {[known.state === 'there' ? 'there' : 'not there', detailWords(known.detail ?? {})]
                    .filter(Boolean)
                    .join(', ')}
                </b>
              </span>
              <Button
                quiet
                disabled={state !== 'not-looked'}
                onClick={onKnown}
                title="Looked at, and as it was ( 5 )"
              >
                Still so<span className="sr-only">, {finding.name}</span>
              </Button>
            </p>
          )}
        </div>
      </div>
      <div className="md:w-[384px]">
        <StateChoice
          name={finding.name}
          state={state}
          disabled={disabled}
          onFocus={onFocus}
          onSet={(s) => {
            // Not every browser gives a pressed button the focus.
            onFocus()
            onSet(s)
          }}
        />
        {/* Its place is kept whether anything stands in it or not, so that no row moves under a finger. */}
        <div className="h-[26px] max-sm:h-12 overflow-hidden text-small">
          {refused ? (
            <p className="text-plum font-bold">Not kept; press it again.</p>
          ) : state === 'there' && !disabled ? (
            <Detail name={finding.name} detail={detail} onNote={onNote} />
          ) : (
            state === 'there' && <p className="font-bold truncate">{detailWords(detail)}</p>
          )}
        </div>
      </div>
    </li>
  )
}
