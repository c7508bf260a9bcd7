import { namedTokens } from '@/db/queries/apiToken'
import type { OwnEntry } from '@/almanac/ownEntry'
import type { FirmSql } from '@/db/client'
import { ownEntries } from '@/db/queries/almanac'
import { reading } from './reader'

/** What the settings page shows: the person, and the tokens of theirs that still work. */
export function settingsView() {
  return reading(async ({ sql, person }) => ({
    person: { name: person.name, email: person.email, role: person.role, units: person.units },
    firmName: person.firmName,
    timeZone: person.timeZone,
    /** Where the firm works, with the id of the entry that says so. */
    jurisdiction: await placeOf(sql),
    tokens: (await namedTokens(sql, person.id)).map((t) => ({
      id: t.id,
      name: t.name,
      hint: t.hint,
      createdAt: t.createdAt.toISOString(),
      lastUsedAt: t.lastUsedAt?.toISOString() ?? null,
    })),
  }))
}

async function placeOf(sql: FirmSql) {
  for (const { id, body } of await ownEntries(sql)) {
    const entry = body as OwnEntry
    if (entry.kind === 'jurisdiction') return { id, place: entry.place }
  }
  return null
}

export type SettingsView = Awaited<ReturnType<typeof settingsView>>
