'use client'

/** For which day work is handed to the crew, and whether people eat of these trees, where the almanac asks. */
export function WorkDay({
  today,
  onDate,
  onDay,
  askFood,
  eaten,
  onEaten,
}: {
  today: string
  onDate: string
  onDay: (date: string) => void
  askFood: string | null
  eaten: boolean | null
  onEaten: (eaten: boolean) => void
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
      {askFood && (
        <fieldset className="mt-3">
          <legend className="label">{askFood}</legend>
          <div className="flex gap-5">
            {([true, false] as const).map((v) => (
              <label key={String(v)} className="flex items-center gap-2 min-h-[44px] sm:min-h-[34px]">
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
