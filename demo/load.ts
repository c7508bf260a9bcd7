import { analyzeTables } from '@/db/analyze'
import { addDays, dateIn } from '@/core/time/calendar'
import { closePool, inFirm, type FirmSql } from '@/db/client'
import { hashPassword } from '@/server/password'
import { addCard, addLot } from '@/db/queries/card'
import { followUpsOfTree } from '@/db/queries/followUp'
import { CARDS } from './cards'
import { bestBearings, lastYear } from './lastYear'
import { MORE_PLACES, moreGrounds } from './moreGrounds'
import { COURT_PLACES } from './courtGrounds'
import { byHandDone } from './byHand'
import { capsulesOut } from './capsules'
import { courts } from './courts'
import { avenueWork } from './avenue'
import { infusedElm } from './infused'
import { crewsOfFirm } from './crews'
import { localRules } from './rules'
import { scabSeasonOfGate } from './scab'
import { COURT_FEATURES, COURT_TREES, SCHOOL_FEATURES, SCHOOL_TREES } from './grounds'
import { demoStart, FIRM, idFor, OTHER, OTHER_PERSON, PEOPLE, Story, ZONE, type DemoPerson } from './story'

async function addFirm(
  firm: Omit<typeof FIRM, 'lies'> & { lies: readonly [number, number] },
  people: DemoPerson[],
  offsetMs: number,
  demoListed: boolean,
) {
  const hashes = await Promise.all(people.map((p) => hashPassword(p.password)))
  await inFirm(firm.id, async (sql) => {
    await sql`insert into firm (id, name, town, time_zone, clock_offset, latitude, longitude)
      values (${firm.id}, ${firm.name}, ${firm.town}, ${ZONE}, make_interval(secs => ${offsetMs / 1000}), ${firm.lies[0]}, ${firm.lies[1]})`
    for (const [i, p] of people.entries())
      await sql`insert into person (id, firm_id, email, name, role, licence, password_hash, demo_password, keeps_house)
        values (${idFor(p.email)}, ${firm.id}, ${p.email}, ${p.name}, ${p.role}, ${p.licence}, ${hashes[i]!}, ${demoListed ? p.password : null}, ${p.keepsHouse ?? false})`
  })
}

async function addPlace(
  sql: FirmSql,
  firmId: string,
  key: string,
  place: {
    client: string
    contact: string
    name: string
    where: string
    note: string
    areaM2: number
    /** Degrees north and east; in the firm’s town where it says nothing. */
    lies?: readonly [number, number]
    features: { kind: string; name: string; geometry: unknown }[]
  },
) {
  await sql`insert into client (id, firm_id, name, contact) values (${idFor(`client ${key}`)}, ${firmId}, ${place.client}, ${place.contact})`
  await sql`insert into site (id, firm_id, client_id, name, place, time_zone, area_m2, area_typed_m2, note, latitude, longitude)
    values (${idFor(`site ${key}`)}, ${firmId}, ${idFor(`client ${key}`)}, ${place.name}, ${place.where}, ${ZONE}, ${place.areaM2}, ${place.areaM2}, ${place.note},
      ${place.lies?.[0] ?? null}, ${place.lies?.[1] ?? null})`
  for (const [i, f] of place.features.entries())
    await sql`insert into site_feature (id, firm_id, site_id, kind, name, geometry)
      values (${idFor(`feature ${key} ${i}`)}, ${firmId}, ${idFor(`site ${key}`)}, ${f.kind}, ${f.name}, ${sql.json(f.geometry as never)})`
}

/** Loads the demo into an empty database; with data in it, changes nothing. */
export async function loadDemo(real = new Date()): Promise<'loaded' | 'there already'> {
  const there = await inFirm(
    FIRM.id,
    (sql) => sql<{ whole: boolean }[]>`
    select coalesce((settings->>'demoLoaded')::boolean, false) as whole from firm where id = ${FIRM.id}`,
  )
  if (there[0]?.whole) return 'there already'
  if (there[0])
    throw new Error(
      'it was only loaded in part, most likely because a first start was cut off. Start over with bin/demo --fresh.',
    )
  const start = demoStart(real)
  const today = dateIn(ZONE, start)
  await addFirm(FIRM, PEOPLE, start.getTime() - real.getTime(), true)
  await addFirm(OTHER, [OTHER_PERSON], start.getTime() - real.getTime(), false)
  await inFirm(OTHER.id, (sql) =>
    addPlace(sql, OTHER.id, 'mill', {
      client: 'Mill Row',
      contact: '',
      name: 'Mill Row garden',
      where: 'Low Staith',
      note: '',
      areaM2: 400,
      features: [],
    }),
  )
  await inFirm(FIRM.id, async (sql) => {
    await addPlace(sql, FIRM.id, 'school', {
      client: 'Ropewalk School',
      contact: 'the caretaker, by the north gate',
      name: 'Ropewalk School',
      where: 'Ropewalk Lane, Tamsin’s Ferry',
      note: 'Work before the first bell or after three. Children until then.',
      areaM2: 5040,
      lies: [42.312, -75.218],
      features: SCHOOL_FEATURES,
    })
    await addPlace(sql, FIRM.id, 'court', {
      client: 'St Orrin Hospital',
      contact: 'the porter’s lodge',
      name: 'Hospital court',
      where: 'St Orrin Hospital, Tamsin’s Ferry',
      note: 'Café tables under the lindens from ten. Bees in bloom.',
      areaM2: 780,
      features: COURT_FEATURES,
    })
    for (const { key, place } of [...MORE_PLACES, ...COURT_PLACES]) await addPlace(sql, FIRM.id, key, place)
    for (const { card, version, lots } of CARDS) {
      await addCard(sql, {
        id: idFor(`shelf ${card.code}`),
        firmId: FIRM.id,
        version,
        card,
        useIds: card.uses.map((_, n) => idFor(n === 0 ? `card ${card.code}` : `card ${card.code} ${n + 1}`)),
        // Two springs ago, before any work that rests on it.
        at: new Date(start.getTime() - 800 * 86_400_000),
        by: null,
      })
      for (const [number, expiresOn] of lots)
        await addLot(sql, { id: idFor(`lot ${number}`), firmId: FIRM.id, code: card.code, number, expiresOn })
    }
  })
  const story = new Story(start)
  // Whoever began there looked for water and wells first; the only ones are drawn.
  for (const key of ['school', 'court', ...[...MORE_PLACES, ...COURT_PLACES].map((p) => p.key)])
    await story.do('maren', 900, 'say-water', { siteId: idFor(`site ${key}`), said: true })
  await localRules(story)
  await crewsOfFirm(story, today)
  await story.trees('school', SCHOOL_TREES, today)
  await story.trees('court', COURT_TREES, today)
  await moreGrounds(story, today)
  await avenueWork(story, today)
  await courts(story, today)
  await byHandDone(story, today)
  await scabSeasonOfGate(story, today)
  await infusedElm(story, today)
  await capsulesOut(story, today)
  await lastYear(story, today)
  await story.readings(
    SCHOOL_TREES.find((t) => t.tag === 'Ash 15')!,
    (daysAgo) => daysAgo < 365,
  )
  // The maple's misdiagnosis of two summers ago, and what has been seen since.
  await story.findings('Maple 2', 700, 'then', {
    'flagging-limb': 'there',
    'crown-thin-one-side': 'there',
    'branch-dieback-scattered': 'there',
  })
  await story.do(
    'maren',
    700,
    'sign-diagnosis',
    {
      id: idFor('dxmaple'),
      treeId: idFor('Maple 2'),
      assessmentId: idFor('Maple 2 then'),
      cause: 'verticillium-wilt',
      reason: 'No time for the laboratory; the client wants an answer.',
    },
    30,
  )
  await story.do(
    'maren',
    700,
    'sign-decision',
    {
      id: idFor('decmaple'),
      treeId: idFor('Maple 2'),
      diagnosisId: idFor('dxmaple'),
      action: 'care',
      words: 'Water through the summer and take the dead wood out.',
      due: addDays(today, -340),
    },
    35,
  )
  const [asked] = await inFirm(FIRM.id, (sql) => followUpsOfTree(sql, idFor('Maple 2')))
  await story.do('maren', 338, 'enter-result', {
    id: idFor('mmaple'),
    followUpId: asked!.id,
    said: 'done, no change yet',
    nextStep: 'reopen the diagnosis',
    words: 'Watered all summer; the same side is thinner.',
  })
  await story.findings('Maple 2', 2, 'now', {
    'crown-thin-one-side': 'there',
    'flagging-limb': 'there',
    'flare-hidden': 'there',
    'root-girdling': 'there',
    'sapwood-streaks': 'not-there',
  })
  await story.findings('Oak 3', 2, 'now', {
    'crown-thin-even': 'there',
    'flare-hidden': 'there',
    'mulch-piled': 'there',
    'leaf-scorch-banded': 'not-there',
  })
  await story.findings('Linden 7', 2, 'now', {
    'leaf-black-film': 'there',
    'leaf-sticky': 'there',
    'ants-trail': 'there',
    'silk-fine': 'not-there',
    'leaf-skeleton': 'not-there',
  })
  await story.findings('Ash 13', 2, 'now', {
    'crown-thin-top': 'there',
    'exit-hole-d': 'there',
    'galleries-s': 'there',
    'trunk-sprouts': 'there',
    'anchor-root-soft': 'not-there',
  })
  await story.do(
    'maren',
    2,
    'sign-diagnosis',
    {
      id: idFor('dx13'),
      treeId: idFor('Ash 13'),
      assessmentId: idFor('Ash 13 now'),
      cause: 'emerald-ash-borer',
      reason: null,
    },
    30,
  )
  // Ash 16 is booked for today, so that the crew's day is not empty.
  await story.findings('Ash 16', 2, 'now', {
    'crown-thin-top': 'there',
    'exit-hole-d': 'there',
    'trunk-sprouts': 'there',
    'soil-dry': 'not-there',
    'flare-hidden': 'not-there',
  })
  await story.do(
    'maren',
    2,
    'sign-diagnosis',
    {
      id: idFor('dx16'),
      treeId: idFor('Ash 16'),
      assessmentId: idFor('Ash 16 now'),
      cause: 'emerald-ash-borer',
      reason: null,
    },
    40,
  )
  await story.do(
    'maren',
    2,
    'sign-decision',
    { id: idFor('dec16'), treeId: idFor('Ash 16'), diagnosisId: idFor('dx16'), action: 'treat', words: null },
    45,
  )
  await story.do('maren', 1, 'hand-to-crew', {
    id: idFor('rx16'),
    items: [
      {
        useId: idFor('card EB4'),
        choice: 1,
        subjects: [
          {
            treeId: idFor('Ash 16'),
            decisionId: idFor('dec16'),
            given: {
              portGirth: '64 in',
              bearings: await bestBearings(idFor('Ash 16'), addDays(today, -1), '64 in', 1),
            },
          },
        ],
      },
    ],
    onDate: today,
  })
  await inFirm(
    FIRM.id,
    (sql) => sql`update firm set settings = settings || '{"demoLoaded": true}' where id = ${FIRM.id}`,
  )
  await analyzeTables()
  return 'loaded'
}

if (process.argv[1]?.endsWith('load.ts')) {
  loadDemo()
    .then((what) =>
      console.log(what === 'loaded' ? 'The demo is loaded.' : 'The demo is loaded already; its data stays.'),
    )
    .catch((error: Error & { query?: string }) => {
      console.error(`The demo could not be loaded: ${error.message}`)
      // Which statement it was, where the database says so.
      if (error.query) console.error(error.query.slice(0, 600))
      process.exitCode = 1
    })
    .finally(() => closePool())
}
