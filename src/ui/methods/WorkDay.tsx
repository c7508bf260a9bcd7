'use client'
import type { Repeats } from '@/core/methods/facts'
import { sayApart } from '@/core/methods/sayTime'

/** As many times as one signature is for. */
const MOST_TIMES = 60
/** Days after which it may be done again where the card’s are too near: soap and oil against what hatches over weeks. */
const LONGER = [14, 21, 28, 42]

/** For which day work is handed to the crew, how often it is done where the card says so, and whether people eat of these trees. */
export function WorkDay({
  today,
  onDate,
  onDay,
  askFood,
  eaten,
  onEaten,
  harvestDays = 0,
  harvestOn = '',
  onHarvest,
  repeats = null,
  times = 1,
  apart = null,
  onApart,
  onTimes,
}: {
  today: string
  onDate: string
  onDay: (date: string) => void
  askFood: string | null
  eaten: boolean | null
  onEaten: (eaten: boolean) => void
  /** Days the card keeps before the harvest; 0 where it keeps none. */
  harvestDays?: number
  harvestOn?: string
  onHarvest?: (date: string) => void
  repeats?: Repeats | null
  times?: number
  onTimes?: (times: number) => void
  /** After how many days again, where that is chosen; null leaves it to the card. */
  apart?: number | null
  onApart?: (days: number | null) => void
}) {
  return (
    <>
      <label className="label" htmlFor="day">
        Day of the work
      </label>
      <input
        id="day"
        type="date"
        className="field"
        min={today}
        value={onDate}
        onChange={(e) => onDay(e.target.value)}
      />
      {harvestDays > 0 && onHarvest && (
        <div className="mt-3">
          <label className="label" htmlFor="harvest">
            Picking begins on
          </label>
          <input
            id="harvest"
            type="date"
            className="field"
            value={harvestOn}
            onChange={(e) => onHarvest(e.target.value)}
          />
          <p className="text-small text-ink2 mt-1">The card keeps {harvestDays} days before it.</p>
        </div>
      )}
      {repeats && onTimes && (
        <div className="mt-3">
          <label className="label" htmlFor="times">
            Times in all
          </label>
          <select
            id="times"
            className="field"
            value={times}
            onChange={(e) => onTimes(Number(e.target.value))}
          >
            {Array.from({ length: Math.min(repeats.mostTimes ?? 12, MOST_TIMES) }, (_, i) => (
              <option key={i} value={i + 1}>
                {i === 0 ? 'once' : `${i + 1} times`}
              </option>
            ))}
          </select>
          {times > 1 && onApart && !repeats.yearly && (
            <div className="mt-2">
              <label className="label" htmlFor="apart">
                Again after
              </label>
              <select
                id="apart"
                className="field"
                value={apart ?? ''}
                onChange={(e) => onApart(e.target.value === '' ? null : Number(e.target.value))}
              >
                <option value="">{`${sayApart(repeats)}, as the card says`}</option>
                {LONGER.filter((days) => days > repeats.most).map((days) => (
                  <option key={days} value={days}>
                    {`${days / 7} weeks`}
                  </option>
                ))}
              </select>
            </div>
          )}
          {times > 1 && (
            <p className="text-small text-ink2 mt-1">
              {repeats.yearly
                ? `Again each ${repeats.yearly.called}`
                : `Again ${apart === null ? sayApart(repeats) : `${apart / 7} weeks`} after each record${repeats.season ? ', until its season is over' : ''}`}
              ; it then stands under Run as due.
            </p>
          )}
        </div>
      )}
      {askFood && (
        <fieldset className="mt-3">
          <legend className="label">{askFood}</legend>
          <div className="flex gap-5">
            {([true, false] as const).map((v) => (
              <label key={String(v)} className="flex items-center gap-2 min-h-[44px] desk:min-h-[34px]">
                <input
                  type="radio"
                  name="eaten"
                  className="size-5 accent-[var(--color-rust)]"
                  checked={eaten === v}
                  onChange={() => onEaten(v)}
                />
                {v ? 'Yes' : 'No'}
              </label>
            ))}
          </div>
        </fieldset>
      )}
    </>
  )
}
