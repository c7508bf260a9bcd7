import type { Frequency } from '@/core/diagnose/almanac'

/** How often a cause shows a finding, as it is said. */
export const OFTEN_WORD: Readonly<Record<Frequency, string>> = {
  always: 'always',
  usual: 'usually',
  sometimes: 'sometimes',
  seldom: 'seldom',
  never: 'never',
}

/** To be chosen among. */
export const OFTEN = Object.entries(OFTEN_WORD) as [Frequency, string][]
