/** The languages there are, as each calls itself. A further one is one more file, named here. */
export const LANGUAGES = [
  ['en', 'English'],
  ['es', 'Español'],
] as const
export type Language = (typeof LANGUAGES)[number][0]

/** A language by what somebody is said to read; English where there is no file for it. */
export function languageOf(said: string | null | undefined): Language {
  const short = (said ?? '').toLowerCase().slice(0, 2)
  return LANGUAGES.find(([l]) => l === short)?.[0] ?? 'en'
}
