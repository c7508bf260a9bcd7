/** Where the list of a truck's day is; `crewId` null: of the work that no crew has. */
export function loadHref(date: string, crewId: string | null): string {
  return `/run/load?${new URLSearchParams({ date, crew: crewId ?? 'none' })}`
}
