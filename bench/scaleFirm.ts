import postgres from 'postgres'

/** How large a firm is made. */
export interface Scale {
  firm: string
  trees: number
  sites: number
  /** Trees of the first site; the others share the rest. */
  largestSite: number
  /** Seals an entry of the ledger as the product does. */
  seal?: (entry: { firmId: string; seq: number; hash: string; sealedAt: Date }) => {
    seq: number
    hash: string
    sealedAt: Date
    key: string
    signature: string
  }
}

export const LARGE: Scale = {
  firm: '00000001-0000-7000-8000-0000000f1f10',
  trees: 100_000,
  sites: 1000,
  largestSite: 5000,
}

/** The kinds of rows whose ids are made from a number, so that any of them can be asked for. */
const KINDS = {
  person: 1,
  client: 2,
  site: 3,
  tree: 4,
  reading: 5,
  mark: 6,
  assessment: 7,
  diagnosis: 8,
  decision: 9,
  prescription: 10,
  item: 11,
  job: 12,
  jobItem: 13,
  port: 14,
  record: 15,
  followUp: 16,
  label: 17,
  shelf: 20,
  feature: 18,
  event: 19,
  subject: 21,
  occurrence: 22,
  jobSubject: 23,
  application: 24,
  stepEvent: 25,
  screen: 26,
  money: 27,
  moved: 29,
  seen: 28,
  crew: 30,
  absence: 31,
  skyread: 32,
  underplan: 33,
  entered: 34,
  away: 35,
  loaded: 36,
  doneAway: 5001,
  dayEnded: 5002,
  leftIn: 5003,
  lot: 5004,
  stockMove: 5005,
  stockLeast: 5006,
  message: 5007,
  workPhoto: 5008,
} as const

/** The id of the n-th row of a kind. */
export function scaleId(kind: keyof typeof KINDS, n: number): string {
  const hex = (x: number, width: number) => x.toString(16).padStart(width, '0')
  return `${hex(KINDS[kind], 8)}-0000-7000-8000-${hex(n, 12)}`
}

/**
 * Makes a firm of any size with set-based SQL, as the owner of the tables: sites, trees with three readings each, an
 * examination with ten findings, two finished prescriptions with their ports and chained records, follow-ups, and trees at
 * every stage of the work. `today` is the day on which it is looked at.
 */
export async function makeScaleFirm(ownerUrl: string, scale: Scale, today: string, say = (_: string) => {}) {
  const sql = postgres(ownerUrl, { max: 1, onnotice: () => {} })
  const { firm, trees, sites, largestSite } = scale
  const step = async (name: string, run: () => Promise<unknown>) => {
    const began = Date.now()
    await run()
    say(`${name} ${((Date.now() - began) / 1000).toFixed(1)} s`)
  }
  try {
    // Bulk rows are right by construction; triggers and foreign keys are looked at by the tests of the steps.
    await sql`set session_replication_role = replica`
    await sql`set synchronous_commit = off`
    await sql`set work_mem = '256MB'`
    await sql`create or replace function pg_temp.rid(kind int, n bigint) returns uuid language sql immutable as
      $$ select (lpad(to_hex(kind), 8, '0') || '-0000-7000-8000-' || lpad(to_hex(n), 12, '0'))::uuid $$`
    const id = (kind: keyof typeof KINDS, n: string) => `pg_temp.rid(${KINDS[kind]}, (${n})::bigint)`
    const siteOf = `case when n <= ${largestSite} then 1 else 2 + (n - ${largestSite} - 1) % ${sites - 1} end`
    const f = `'${firm}'::uuid`
    const noon = `('${today}T16:00:00Z'::timestamptz)`

    await step('firm', async () => {
      await sql.unsafe(`
        insert into firm (id, name, town, time_zone, latitude, longitude) values (${f}, 'A large firm', 'Quayside', 'America/New_York', 42, -75);
        insert into person (id, firm_id, email, name, role, licence, password_hash)
          select ${id('person', 'n')}, ${f}, 'large' || n || '@large.example', 'Person ' || n,
            (array['arborist', 'crew lead', 'technician', 'office'])[1 + (n - 1) % 4], 'L-' || n, 'none'
          from generate_series(1, 60) n;
        insert into client (id, firm_id, name) select ${id('client', 'n')}, ${f}, 'Client ' || n from generate_series(1, ${Math.ceil(sites / 3)}) n;
        insert into site (id, firm_id, client_id, name, place, time_zone, area_m2, trees, latitude, longitude)
          select ${id('site', 'n')}, ${f}, ${id('client', `1 + n % ${Math.ceil(sites / 3)}`)}, 'Site ' || lpad(n::text, 4, '0'),
            'Quayside', 'America/New_York', 5000, 0, 42 + (n % 7) / 20.0, -75 + (n % 6) / 20.0 from generate_series(1, ${sites}) n;
        insert into site_feature (id, firm_id, site_id, kind, geometry)
          select ${id('feature', 'n')}, ${f}, ${id('site', 'n')}, 'boundary',
            '{"type":"Polygon","coordinates":[[[0,0],[400,0],[400,300],[0,300],[0,0]]]}' from generate_series(1, ${sites}) n;
        insert into plan_picture (id, firm_id, site_id, at, by_person, width, height, jpeg)
          select ${id('underplan', 'n')}, ${f}, ${id('site', 'n')}, ${noon}, ${id('person', '1 + n % 60')}, 400, 300, decode(repeat('00', 120), 'hex')
          from generate_series(1, ${sites}) n;
        insert into hours_entered (id, firm_id, site_id, cell_north, cell_east, time_zone, at, by_person, hours, from_at, to_at, days)
          select ${id('entered', 'n * 4 + k')}, ${f}, ${id('site', 'n')}, 846, -1504, 'America/New_York', ${noon} - k * interval '90 days',
            ${id('person', '1 + n % 60')}, 24, ${noon}, ${noon}, '[]' from generate_series(1, ${sites}) n, generate_series(1, 3) k;
        insert into firm_away (firm_id, to_shard) select ${id('away', 'n')}, 'two' from generate_series(1, 5000) n on conflict do nothing;
        insert into asked (firm_id, what, since, n) select ${f}, 'token ' || n, ${noon}, 1 from generate_series(1, 5000) n`)
    })
    await step('weather', () =>
      sql.unsafe(`
        with told as (select jsonb_build_object('temperature', v, 'wind', v, 'gust', v, 'windFrom', v, 'rain', z, 'cloud', z,
            'humidity', z, 'chance', z) as hours
          from (select jsonb_agg(h) as v, jsonb_agg(0) as z from generate_series(1, 24) h) x)
        insert into weather_day (firm_id, cell_north, cell_east, time_zone, date, begins, known_until, asked_at, made_up,
          least_c, most_c, rain_m, hours)
        select ${f}, 840 + c % 7, -1500 + c / 7, 'America/New_York', d.day::date, d.day + interval '4 hours',
          least(d.day + interval '30 hours', ${noon} - interval '4 hours'), ${noon} - interval '4 hours', true,
          10 - 12 * cos(2 * pi() * extract(doy from d.day) / 365), 20 - 12 * cos(2 * pi() * extract(doy from d.day) / 365),
          case when extract(doy from d.day)::int % 4 = 0 then 0.01 else 0 end, told.hours
        from told, generate_series(0, 41) c,
          generate_series('2022-07-01T00:00:00Z'::timestamptz, ${noon} + interval '10 days', interval '1 day') d (day);
        insert into stage_seen (id, firm_id, site_id, kind, stage, seen_on, by_person, at)
        select ${id('seen', 'n')}, ${f}, ${id('site', '1 + n % ' + String(sites))}, 'apple', 'bloom', '2026-05-04', ${id('person', '1 + n % 60')}, ${noon}
        from generate_series(1, ${sites * 3}) n;
        insert into weather_reading (id, firm_id, site_id, at, temperature_c, wind_ms, by_person)
        select ${id('skyread', 'n')}, ${f}, ${id('site', '1 + n % ' + String(sites))}, ${noon} - n * interval '3 hours', 18, 2, ${id('person', '1 + n % 60')}
        from generate_series(1, ${sites * 5}) n`),
    )
    // The first is injected, the second sprayed.
    await step('cards', () =>
      sql.unsafe(
        ['EB4', 'SU8']
          .map(
            (code, i) => `
        insert into card (id, firm_id, kind, code, version, name, registration, body)
          select ${id('shelf', String(i + 1))}, ${f}, kind, code, version, name, registration, body
          from card where code = '${code}' order by version desc limit 1;
        insert into card_use (id, firm_id, card_id, n, method, body)
          select ${id('label', String(i + 1))}, ${f}, ${id('shelf', String(i + 1))}, 1, u.method, u.body
          from card_use u join card c on c.firm_id = u.firm_id and c.id = u.card_id
          where c.code = '${code}' and u.n = 1 and c.firm_id <> ${f} order by c.version desc limit 1;`,
          )
          .join(''),
      ),
    )
    // Four lots a card, each counted every thirtieth time something happened to it; the first is what all records are of.
    await step('stock', () =>
      sql.unsafe(`
        insert into lot (id, firm_id, card_code, number, expires_on)
          select ${id('lot', 'n')}, ${f}, (array['EB4', 'SU8'])[1 + n % 2], case when n = 0 then 'EB4-2207' else 'LOT-' || n end, '${today}'::date + 400
          from generate_series(0, 7) n;
        insert into stock_move (id, firm_id, lot_id, kind, amount, measure, by_person, at)
          select ${id('stockMove', 'n * 400 + k')}, ${f}, ${id('lot', 'n')}, case when k % 30 = 1 then 'counted' else 'bought' end, 0.002, 'volume',
            ${id('person', '2')}, ${noon} - k * interval '1 day'
          from generate_series(0, 7) n, generate_series(1, 300) k;
        insert into stock_least (id, firm_id, card_code, amount, measure, by_person, at)
          select ${id('stockLeast', 'n')}, ${f}, (array['EB4', 'SU8'])[1 + n % 2], 0.001, 'volume', ${id('person', '2')}, ${noon} - n * interval '1 day'
          from generate_series(1, 600) n`),
    )
    await step('trees', () =>
      sql.unsafe(`
        insert into tree (id, firm_id, site_id, tag, host, identity_confirmed_at, east_m, north_m, live_crown_percent, stage, diameter_m, read_at, block)
        select ${id('tree', 'n')}, ${f}, ${id('site', siteOf)}, 'T' || lpad(n::text, 6, '0'),
          (array['ash', 'maple', 'oak-red-group', 'linden', 'birch', 'elm', 'hemlock', 'apple'])[1 + n % 8], ${noon},
          (n * 37) % 400, (n * 53) % 300, 40 + 5 * (n % 13),
          case n % 25 when 0 then 'weigh' when 1 then 'decide' when 2 then 'prescribe' when 3 then 'run' when 10 then 'examine'
            when 11 then 'otherwise' else case when n % 25 < 10 then 'check' else 'done' end end,
          0.2 + (n % 60) / 100.0, ${noon} - interval '3 days', case when n % 5 < 2 then 'Bank ' || chr(65 + n % 3) end
        from generate_series(1, ${trees}) n;
        update site s set trees = c.trees from (select site_id, count(*) as trees from tree where firm_id = ${f} group by site_id) c
          where s.firm_id = ${f} and c.site_id = s.id`),
    )
    await step('readings', () =>
      sql.unsafe(`
        insert into stem_reading (id, firm_id, tree_id, read_at, read_by, height_m, tape, stems_m, typed)
        select ${id('reading', `n * 4 + k`)}, ${f}, ${id('tree', 'n')}, ${noon} - interval '3 days' - k * interval '300 days', ${id('person', '1 + n % 60')},
          1.3716, 'girth', array[0.2 + (n % 60) / 100.0 - k * 0.01], '44 in'
        from generate_series(1, ${trees}) n, generate_series(0, 2) k`),
    )
    await step('readings struck out', () =>
      sql.unsafe(`
        insert into reading_struck (firm_id, reading_id, struck_at, struck_by, words)
        select ${f}, ${id('reading', `n * 4 + 2`)}, ${noon} - interval '3 days', ${id('person', '2')}, 'taken at the wrong height'
        from generate_series(1, ${trees}) n where n % 10 = 3`),
    )
    await step('changes', () =>
      sql.unsafe(`
        insert into audit_event (id, firm_id, person_id, at, verb, about, input)
        select ${id('event', `1000000 + n * 4 + k`)}, ${f}, ${id('person', '1 + n % 60')}, ${noon} - interval '3 days' - k * interval '200 days',
          (array['change-tree', 'confirm-identity', 'add-reading'])[1 + k], ${id('tree', 'n')}, '{}'
        from generate_series(1, ${trees}) n, generate_series(0, 2) k;
        insert into change (firm_id, event, in_table, was)
        select ${f}, ${id('event', `1000000 + n * 4`)}, 'tree', '{"tag": "T", "host": "ash"}'
        from generate_series(1, ${trees}) n`),
    )
    await step('ring marks', () =>
      sql.unsafe(`
        insert into ring_mark (id, firm_id, tree_id, kind, from_deg, to_deg, noted_on)
        select ${id('mark', `n * 8 + k`)}, ${f}, ${id('tree', 'n')}, case when k < 4 then 'flare' else 'dead' end,
          (n * 7 + k * 80) % 360, (n * 7 + k * 80 + 24) % 360, '${today}'::date - 400
        from generate_series(1, ${trees}) n, generate_series(0, 4) k where k < 4 or n % 5 = 0`),
    )
    await step('examinations', () =>
      sql.unsafe(`
        insert into assessment (id, firm_id, tree_id, started_at, started_by, closed_at)
          select ${id('assessment', 'n')}, ${f}, ${id('tree', 'n')}, ${noon} - interval '800 days', ${id('person', '1')},
            ${noon} - interval '800 days' from generate_series(1, ${trees}) n where n % 25 <> 10;
        insert into assessment (id, firm_id, tree_id, started_at, started_by, closed_at)
          select ${id('assessment', `${trees} + n`)}, ${f}, ${id('tree', 'n')}, ${noon} - interval '2 days', ${id('person', '1')},
            case when n % 25 = 1 then ${noon} - interval '1 days' end from generate_series(1, ${trees}) n where n % 25 in (0, 1);
        insert into finding (firm_id, assessment_id, finding, state, at, by_person)
          select ${f}, a.id, w.finding, case when w.k < 4 then 'there' else 'not-there' end, a.started_at, a.started_by
          from assessment a, unnest(array['exit-hole-d', 'crown-thin-top', 'woodpecker-blond', 'trunk-sprouts', 'soil-dry', 'flare-hidden',
            'galleries-s', 'bark-split', 'drought-recent', 'mulch-piled']) with ordinality w (finding, k) where a.firm_id = ${f}`),
    )
    await step('causes and decisions', () =>
      sql.unsafe(`
        insert into diagnosis (id, firm_id, assessment_id, tree_id, cause, probability, weights, almanac_version, signed_at, signed_by)
          select ${id('diagnosis', `('x' || right(a.id::text, 12))::bit(48)::bigint`)}, ${f}, a.id, a.tree_id, 'emerald-ash-borer', 0.93,
            '[{"cause":"emerald-ash-borer","probability":0.93},{"cause":"drought-stress","probability":0.05}]', '2026.1', a.closed_at, ${id('person', '1')}
          from assessment a where a.firm_id = ${f} and a.closed_at is not null;
        insert into decision (id, firm_id, diagnosis_id, tree_id, action, proposed, reasons, signed_at, signed_by)
          select ${id('decision', `n * 4 + k`)}, ${f}, ${id('diagnosis', 'n')}, ${id('tree', 'n')},
            case when n % 25 = 11 and k = 2 then 'care' else 'treat' end, 'treat', '[{"text":"20 % of the crown is lost."}]',
            ${noon} - interval '800 days' + k * interval '380 days', ${id('person', '1')}
          from generate_series(1, ${trees}) n, generate_series(0, 2) k where n % 25 <> 10 and (k < 2 or n % 25 in (2, 3, 11))`),
    )
    const ports = `(select jsonb_agg(jsonb_build_object('bearing', (n * 11 + p * 51) % 360, 'suitability', 0.8, 'moved', false)) from generate_series(0, 6) p)`
    const planned = `(select jsonb_agg(jsonb_build_object('kind', 'port', 'bearing', (n * 11 + p * 51) % 360, 'product', 0.0000115)) from generate_series(0, 6) p)`
    const each = `from generate_series(1, ${trees}) n, generate_series(0, 2) k where n % 25 <> 10 and (k < 2 or n % 25 = 3)`
    await step('prescriptions', () =>
      sql.unsafe(`
        insert into prescription (id, firm_id, site_id, cause, signed_at, signed_by)
          select ${id('prescription', `n * 4 + k`)}, ${f}, ${id('site', siteOf)}, 'emerald-ash-borer',
            ${noon} - interval '799 days' + k * interval '380 days', ${id('person', '1')} ${each};
        insert into prescription_item (id, firm_id, prescription_id, n, method, card_use_id)
          select ${id('item', `n * 4 + k`)}, ${f}, ${id('prescription', `n * 4 + k`)}, 1, 'trunk-injection', ${id('label', '1')} ${each};
        insert into item_subject (id, firm_id, item_id, n, tree_id, decision_id, reading_id, plan, working, checks, status)
          select ${id('subject', `n * 4 + k`)}, ${f}, ${id('item', `n * 4 + k`)}, 1, ${id('tree', 'n')}, ${id('decision', `n * 4 + k`)}, ${id('reading', `n * 4`)},
            jsonb_build_object('method', 'trunk-injection', 'choice', 0, 'diameter', 0.4, 'product', 0.00008, 'kind', 'liquid', 'least', 0.00008,
              'most', 0.00016, 'water', null, 'active', null, 'minutes', 36, 'steps', ${planned}, 'shape', jsonb_build_object('portGirth', 1.4,
              'perPort', 0.0000115, 'largestGap', 0.2, 'uptake', jsonb_build_object('from', 1500, 'to', 3000), 'ports', ${ports})),
            '[{"label":"Volume for the tree","expression":"15.7 in × 5 mL per in","result":"78.5 mL","source":"label","from":"card EB4 v3"}]', '[]',
            case when k < 2 then 'done' else 'handed' end ${each};
        insert into occurrence (id, firm_id, item_id, n, due_from, due_to, status)
          select ${id('occurrence', `n * 4 + k`)}, ${f}, ${id('item', `n * 4 + k`)}, 1, '${today}', '${today}', case when k < 2 then 'done' else 'open' end ${each};
        insert into occurrence (id, firm_id, item_id, n, due_from, due_to, again)
          select ${id('occurrence', `n * 4 + 3`)}, ${f}, ${id('item', `n * 4 + 1`)}, 2, '${today}'::date - 20 + (n % 60)::int, '${today}'::date - 10 + (n % 60)::int, true
          from generate_series(1, ${trees}) n where n % 100 = 7;
        -- Half of what is due again is a cover that rain washes off.
        update prescription_item set method = 'crown-spray', card_use_id = ${id('label', '2')}
          where firm_id = ${f} and id in (select ${id('item', `n * 4 + 1`)} from generate_series(1, ${trees}) n where n % 200 = 7)`),
    )
    await step('jobs', () =>
      sql.unsafe(`
        insert into crew (id, firm_id, name, people, methods, begins, minutes)
          select ${id('crew', 'n')}, ${f}, 'Crew ' || n, array[${id('person', 'n')}], '{trunk-injection}', 420, '{480,480,480,480,480,0,0}'
          from generate_series(1, 6) n;
        insert into absence (id, firm_id, person_id, from_on, to_on, why, by_person, at)
          select ${id('absence', 'n')}, ${f}, ${id('person', '1 + n % 6')}, '${today}'::date - 400 + (n * 2)::int, '${today}'::date - 399 + (n * 2)::int, 'holiday', ${id('person', '2')}, ${noon}
          from generate_series(1, 400) n;
        insert into loaded (id, firm_id, crew_id, on_date, line, name, amount, state, by_person, at)
          select ${id('loaded', 'n')}, ${f}, ${id('crew', '1 + n % 6')}, '${today}'::date - (n / 30)::int, 'product P' || n % 7, 'Product ' || n % 7, '10 mL', case when n % 11 = 0 then 'missing' else 'on' end, ${id('person', '2')}, ${noon}
          from generate_series(1, 20000) n;
        insert into job (id, firm_id, site_id, crew_id, on_date, methods)
          select ${id('job', `s * 4 + k`)}, ${f}, ${id('site', 's')}, case when k = 2 and s % 3 > 0 then ${id('crew', '1 + s % 6')} end, case k when 2 then '${today}'::date + (s % 14)::int else '${today}'::date - 799 + (k * 380)::int end, '{trunk-injection}'
          from generate_series(1, ${sites}) s, generate_series(0, 2) k;
        insert into job_item (id, firm_id, job_id, occurrence_id)
          select ${id('jobItem', `n * 4 + k`)}, ${f}, ${id('job', `(${siteOf}) * 4 + k`)}, ${id('occurrence', `n * 4 + k`)} ${each};
        insert into job_subject (id, firm_id, job_item_id, job_id, subject_id, tree_id, status, confirmed_at)
          select ${id('jobSubject', `n * 4 + k`)}, ${f}, ${id('jobItem', `n * 4 + k`)}, ${id('job', `(${siteOf}) * 4 + k`)}, ${id('subject', `n * 4 + k`)}, ${id('tree', 'n')},
            case when k < 2 then 'recorded' else 'open' end, case when k < 2 or n % 50 = 3 then ${noon} - interval '1 hour' end ${each};
        insert into done_away (id, firm_id, job_subject_id, words, by_person, at, entered_at, seen_at, seen_by)
          select ${id('doneAway', 'n')}, ${f}, ${id('jobSubject', 'n * 4')}, 'Done without a signal at 10:42, when this could not be known: the work had been taken back.',
            ${id('person', '2')}, ${noon}, ${noon}, case when n % 100 > 0 then ${noon} end, case when n % 100 > 0 then ${id('person', '1')} end
          from generate_series(1, least(2000, ${trees})) n where n % 25 <> 10;
        insert into day_ended (id, firm_id, crew_id, on_date, by_person, at)
          select ${id('dayEnded', 'n')}, ${f}, ${id('crew', '1 + n % 6')}, '${today}'::date - (n / 6)::int, ${id('person', '2')}, ${noon}
          from generate_series(1, 2400) n;
        insert into left_in (id, firm_id, day_ended_id, job_subject_id, ports, words)
          select ${id('leftIn', 'n')}, ${f}, ${id('dayEnded', '1 + n % 2400')}, ${id('jobSubject', 'n * 4 + 2')}, 2, 'pulled at seven'
          from generate_series(1, least(2000, ${trees})) n where n % 25 <> 10`),
    )
    await step('ports', () =>
      sql.unsafe(`
        insert into step (id, firm_id, job_subject_id, n, kind, what)
          select ${id('port', `(n * 4 + k) * 8 + p`)}, ${f}, ${id('jobSubject', `n * 4 + k`)}, p + 1, 'port',
            jsonb_build_object('kind', 'port', 'bearing', (n * 11 + p * 51) % 360, 'product', 0.0000115)
          from generate_series(1, ${trees}) n, generate_series(0, 2) k, generate_series(0, 6) p where n % 25 <> 10 and (k < 2 or n % 25 = 3);
        insert into step_state (step_id, firm_id, job_subject_id, state, is_in, is_over)
          select ${id('port', `(n * 4 + k) * 8 + p`)}, ${f}, ${id('jobSubject', `n * 4 + k`)},
            jsonb_build_object('kind', 'port', 'number', p + 1, 'bearing', (n * 11 + p * 51) % 360, 'volume', 0.0000115, 'left', 0, 'givenUp', null,
              'drilledAt', case when k < 2 or n % 500 = 3 then t end, 'startedAt', case when k < 2 or n % 500 = 3 then t + 60000 end,
              'stoppedAt', case when k < 2 then t + 1800000 end, 'outAt', case when k < 2 then t + 2400000 end),
            k = 2 and n % 500 = 3, k < 2
          from generate_series(1, ${trees}) n, generate_series(0, 2) k, generate_series(0, 6) p,
            lateral (select round(extract(epoch from case when k = 2 then ${noon} - interval '30 minutes' else ${noon} - interval '798 days' + k * interval '380 days' end) * 1000) as t) x
          where n % 25 <> 10 and (k < 2 or n % 25 = 3)`),
    )
    await step('what happened at the ports', () =>
      sql.unsafe(`
        insert into step_event (id, firm_id, step_id, job_subject_id, kind, at, by_person)
          select ${id('stepEvent', `((n * 4 + k) * 8 + p) * 4 + e`)}, ${f}, ${id('port', `(n * 4 + k) * 8 + p`)}, ${id('jobSubject', `n * 4 + k`)}, (array['drill', 'start', 'stop', 'out'])[1 + e],
            ${noon} - interval '798 days' + k * interval '380 days' + e * interval '10 minutes', ${id('person', '3')}
          from generate_series(1, ${trees}) n, generate_series(0, 1) k, generate_series(0, 6) p, generate_series(0, 3) e where n % 25 = 3`),
    )
    await step('totals of the jobs', () =>
      sql.unsafe(`
        update job j set trees = x.trees, recorded = x.recorded
        from (select job_id, count(*)::int as trees, (count(*) filter (where status = 'recorded'))::int as recorded
              from job_subject where firm_id = ${f} group by job_id) x
        where j.firm_id = ${f} and j.id = x.job_id`),
    )
    const done = `from generate_series(1, ${trees}) n, generate_series(0, 1) k where n % 25 <> 10`
    await step('applications', () =>
      sql.unsafe(`
        insert into application (id, firm_id, job_id, site_id, method, card_use_id, lot, started_at, ended_at, signed_at, signed_by)
          select ${id('application', `n * 4 + k`)}, ${f}, ${id('job', `(${siteOf}) * 4 + k`)}, ${id('site', siteOf)}, 'trunk-injection', ${id('label', '1')}, 'EB4-2207', t, t, t, ${id('person', '2')}
          from generate_series(1, ${trees}) n, generate_series(0, 1) k, lateral (select ${noon} - interval '798 days' + k * interval '380 days' as t) x where n % 25 <> 10;
        insert into application_subject (firm_id, application_id, subject_id, job_subject_id, tree_id, site_id, on_date, amount, outcome, active, active_kg)
          select ${f}, ${id('application', `n * 4 + k`)}, ${id('subject', `n * 4 + k`)}, ${id('jobSubject', `n * 4 + k`)}, ${id('tree', 'n')}, ${id('site', siteOf)},
            '${today}'::date - 798 + (k * 380)::int, 0.00008, 'treated', case when n % 2 = 0 then 'imidacloprid' end, case when n % 2 = 0 then 0.001 end ${done};
        insert into application_correction (firm_id, record_id, application_id, subject_id, corrected_at, amount, active_kg)
          select ${f}, ${id('record', `n * 4 + 3`)}, ${id('application', `n * 4 + k`)}, ${id('subject', `n * 4 + k`)}, ${noon} - interval '300 days',
            0.00007, case when n % 2 = 0 then 0.0009 end ${done} and n % 20 = 3;
        insert into applied_by_others (id, firm_id, site_id, active, active_kg, on_date, source, noted_at, noted_by)
          select ${id('event', `900000 + s`)}, ${f}, ${id('site', 's')}, 'imidacloprid', 0.01, '${today}'::date - 60, 'the client’s gardener', ${noon}, ${id('person', '1')}
          from generate_series(1, ${sites}) s`),
    )
    await step('covers that are due again went on lately', () =>
      sql.unsafe(`
        update application set started_at = ${noon} - interval '20 days', method = 'crown-spray'
          where firm_id = ${f} and id in (select ${id('application', `n * 4 + 1`)} from generate_series(1, ${trees}) n where n % 200 = 7)`),
    )
    await step('records, chained', () =>
      sql.unsafe(`
        do $do$ declare r record%rowtype; last text := repeat('0', 64); begin
          for r.id, r.firm_id, r.seq, r.kind, r.tree_id, r.site_id, r.application_id, r.signed_at, r.signed_by, r.body in
          select ${id('record', `n * 4 + k`)}, ${f}, row_number() over (order by k, n), 'application', ${id('tree', 'n')}, ${id('site', siteOf)}, ${id('application', `n * 4 + k`)},
            ${noon} - interval '798 days' + k * interval '380 days', ${id('person', '2')},
            jsonb_build_object('version', 2, 'outcome', 'treated', 'method', 'trunk injection', 'volumeM3', 0.00008, 'hardware', 'pressure bottle',
              'applicator', jsonb_build_object('name', 'Person 2', 'licence', 'L-2'), 'firm', 'A large firm', 'place', jsonb_build_object('site', 'Site', 'town', 'Quayside'),
              'tree', jsonb_build_object('tag', 'T' || lpad(n::text, 6, '0'), 'kind', 'Ash', 'diameterM', 0.4, 'readOn', '2024-06-01', 'portGirthM', 1.4), 'target', 'Ash borer',
              'product', jsonb_build_object('name', 'Example EB4', 'registration', 'DEMO-1004-3', 'card', 'EB4 v3', 'code', 'EB4', 'lot', 'EB4-2207', 'actives', '[{"name":"emamectin benzoate","strength":"4 %"}]'::jsonb),
              'rate', 'low', 'planned', jsonb_build_object('volumeM3', 0.00008, 'ports', 7), 'hole', 'leave open', 'countedIn', 7, 'notices', 'sign at the gate',
              'ports', (select jsonb_agg(jsonb_build_object('number', p + 1, 'bearing', (n * 11 + p * 51) % 360, 'volumeM3', 0.0000115, 'leftM3', 0,
                'startedAt', '2024-06-01T12:00:00.000Z', 'stoppedAt', '2024-06-01T12:30:00.000Z', 'drilledAt', '2024-06-01T11:59:00.000Z', 'givenUp', null)) from generate_series(0, 6) p),
              'startedAt', '2024-06-01T12:00:00.000Z', 'endedAt', '2024-06-01T13:00:00.000Z', 'weather', '{"temperatureC":20,"windMs":2,"windFrom":"SW","sky":"clear","soil":"moist"}'::jsonb,
              'reentryUntil', to_char((${noon} - interval '798 days' + k * interval '380 days' + interval '4 hours') at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS".000Z"'),
              'deviations', '[]'::jsonb, 'working', '[]'::jsonb)
          from generate_series(1, ${trees}) n, generate_series(0, 1) k where n % 25 <> 10 order by 3
          loop
            r.prev_hash := last;
            last := record_hash(r);
            insert into record (id, firm_id, seq, kind, tree_id, site_id, application_id, signed_at, signed_by, body, prev_hash, hash)
              values (r.id, r.firm_id, r.seq, r.kind, r.tree_id, r.site_id, r.application_id, r.signed_at, r.signed_by, r.body, r.prev_hash, last);
          end loop;
        end $do$`),
    )
    await step('promised checks', () =>
      sql.unsafe(`
        insert into follow_up (id, firm_id, site_id, tree_id, prescription_id, due_on, what, expectation, done)
          select ${id('followUp', 'n')}, ${f}, ${id('site', siteOf)}, ${id('tree', 'n')}, ${id('prescription', 'n * 4 + 1')}, '${today}'::date - 20 + (n % 700)::int, 'Live crown next summer',
            '{"kind":"share","question":"What share of the crown is alive?","unit":"%","sense":"at-least","expected":75,"tolerated":65,"least":0,"most":100}', n % 25 >= 10
          from generate_series(1, ${trees}) n where n % 25 <> 10 and n % 2 = 0`),
    )
    await step('results', () =>
      sql.unsafe(`
        insert into measurement (id, firm_id, follow_up_id, value, verdict, next_step, measured_at, measured_by)
          select ${id('event', 'n')}, ${f}, ${id('followUp', 'n')}, 80, 'as expected', 'go on as planned', ${noon} - interval '30 days', ${id('person', '2')}
          from generate_series(1, ${trees}) n where n % 25 > 10 and n % 2 = 0`),
    )
    await step('moved', async () => {
      await sql.unsafe(`
        insert into moved (id, firm_id, follow_up_id, from_on, to_on, trees, why, by_person, at)
          select ${id('moved', 'n')}, ${f}, ${id('followUp', 'n')}, '${today}'::date - 30, '${today}'::date, 1, 'the client is away', ${id('person', '2')}, ${noon}
          from generate_series(1, ${trees}) n where n % 25 <> 10 and n % 10 = 6`)
      await sql.unsafe(`
        insert into moved (id, firm_id, job_id, to_job_id, from_on, to_on, trees, why, by_person, at)
          select gen_random_uuid(), ${f}, j.id, k.id, j.on_date, k.on_date, 3, 'rain all day', ${id('person', '2')}, ${noon}
          from (select id, site_id, on_date, row_number() over (order by id) as n from job where firm_id = ${f}) j
            join (select id, site_id, on_date, row_number() over (order by id) as n from job where firm_id = ${f}) k on k.n = j.n + 1`)
    })
    await step('calendar links', () =>
      sql.unsafe(`
        insert into calendar_link (id, firm_id, crew_id, client_id, token_hash, made_by, made_at)
          select gen_random_uuid(), ${f}, case when n <= 12 then ${id('crew', '1 + n % 6')} end, case when n > 12 then c.id end, md5(n::text), ${id('person', '2')}, ${noon}
          from generate_series(1, 3012) n left join (select id, row_number() over (order by id) as k from client where firm_id = ${f}) c on c.k = 1 + n % (select greatest(1, count(*)) from client where firm_id = ${f})`),
    )
    await step('screens and money', async () => {
      await sql.unsafe(`
        insert into safety_screen (id, firm_id, tree_id, defect, defect_words, target, target_words, consequence, consequence_words, refer, by_person, at)
          select ${id('screen', 'n')}, ${f}, ${id('tree', 'n')}, 1, 'dead twigs', 1, 'grass', 1, 'a dent', false, ${id('person', '2')}, ${noon}
          from generate_series(1, ${trees}) n where n % 10 = 1`)
      await sql.unsafe(`
        insert into site_money (id, firm_id, site_id, body, by_person, at)
          select ${id('money', 'n')}, ${f}, ${id('site', 'n')}, '{}', ${id('person', '2')}, ${noon} from generate_series(1, ${scale.sites}) n`)
    })
    await step('photographs', () =>
      sql.unsafe(`
        insert into photo (id, firm_id, tree_id, assessment_id, taken_at, by_person, width, height, jpeg)
          select ${id('event', `200000 + n`)}, ${f}, ${id('tree', 'n')}, ${id('assessment', 'n')}, ${noon}, ${id('person', '3')}, 4, 3, decode(repeat('00', 120), 'hex')
          from generate_series(1, ${trees}) n where n % 25 <> 10 and n % 20 = 1`),
    )
    await step('photographs of work, and who was told of it', () =>
      sql.unsafe(`
        insert into photo (id, firm_id, tree_id, job_subject_id, task, taken_at, by_person, width, height, jpeg)
          select ${id('workPhoto', `n`)}, ${f}, ${id('tree', 'n')}, ${id('jobSubject', `n * 4 + 1`)}, 'after', ${noon}, ${id('person', '3')}, 4, 3, decode(repeat('00', 120), 'hex')
          from generate_series(1, ${trees}) n where n % 25 <> 10 and n % 20 = 7;
        insert into message (id, firm_id, client_id, job_id, kind, about, language, name, address, subject, body, by_person, at)
          select ${id('message', 's * 4 + k')}, ${f}, ${id('client', `1 + s % ${Math.ceil(sites / 3)}`)}, ${id('job', 's * 4 + k')}, 'done', '${today}'::date - 799 + (k * 380)::int, 'en',
            'A client', 'client' || s || '@large.example', 'Work at your trees', 'It was done.', ${id('person', '2')}, ${noon}
          from generate_series(1, ${sites}) s, generate_series(0, 1) k`),
    )
    if (scale.seal)
      await step('seals', async () => {
        for (let from = 0; ; from += 10_000) {
          const rows = await sql<{ seq: number; hash: string; at: Date }[]>`
            select seq::int as seq, hash, signed_at as at from record where firm_id = ${firm} and seq > ${from} and seq <= ${from + 10_000} order by seq`
          if (rows.length === 0) break
          const sealed = rows.map((r) =>
            scale.seal!({ firmId: firm, seq: r.seq, hash: r.hash, sealedAt: r.at }),
          )
          await sql`insert into seal (firm_id, seq, hash, sealed_at, key, signature)
            select ${firm}, * from unnest(${sealed.map((s) => s.seq)}::bigint[], ${sealed.map((s) => s.hash)}::text[],
              ${sealed.map((s) => s.sealedAt.toISOString())}::timestamptz[], ${sealed.map((s) => s.key)}::text[], ${sealed.map((s) => s.signature)}::text[])`
        }
      })
    await step('names', () =>
      sql.unsafe(`
        insert into search_entry select firm_id, 'tree', id, lower(tag) from tree where firm_id = ${f};
        insert into search_entry select firm_id, 'site', id, lower(name) from site where firm_id = ${f};
        insert into search_entry select firm_id, 'client', id, lower(name) from client where firm_id = ${f};
        insert into search_entry select firm_id, 'person', id, lower(name) from person where firm_id = ${f};
        insert into search_entry select firm_id, 'record', id, 'record ' || seq from record where firm_id = ${f}`),
    )
    await step('vacuum and statistics', () => sql.unsafe('vacuum (analyze)').simple())
  } finally {
    await sql.end()
  }
}
