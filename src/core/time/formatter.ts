/** How an instant is written: one object for each way of writing, as formatters are found by it. */
export interface Style {
  locale: string
  options: Intl.DateTimeFormatOptions
}

const made = new Map<Style, Map<string, Intl.DateTimeFormat>>()

/**
 * The formatter of a way of writing in a time zone, made once: making one takes seventy times as long as using it, and a list writes hundreds of dates.
 * @example formatter(DATE, 'America/New_York').format(new Date(0))
 */
export function formatter(style: Style, timeZone: string): Intl.DateTimeFormat {
  let zones = made.get(style)
  if (!zones) made.set(style, (zones = new Map<string, Intl.DateTimeFormat>()))
  let found = zones.get(timeZone)
  if (!found)
    zones.set(timeZone, (found = new Intl.DateTimeFormat(style.locale, { timeZone, ...style.options })))
  return found
}
