import { namedTokens } from '@/db/queries/apiToken'
import { reading } from './reader'

/** What the settings page shows: the person, and the tokens of theirs that still work. */
export function settingsView() {
  return reading(async ({ sql, person }) => ({
    person: { name: person.name, email: person.email, role: person.role, units: person.units },
    firmName: person.firmName,
    timeZone: person.timeZone,
    tokens: (await namedTokens(sql, person.id)).map((t) => ({
      id: t.id,
      name: t.name,
      hint: t.hint,
      createdAt: t.createdAt.toISOString(),
      lastUsedAt: t.lastUsedAt?.toISOString() ?? null,
    })),
  }))
}

export type SettingsView = Awaited<ReturnType<typeof settingsView>>
