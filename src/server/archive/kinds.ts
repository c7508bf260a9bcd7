/** The format of archives, and its version: one that is once given out stays readable for ever. */
export const FORMAT = { format: 'elmhorn-archive', version: 1 } as const

/** What lies in an archive: a file of lines for each, and what its lines are. */
export const KEPT: Record<string, string> = {
  firm: 'The firm: what it is called, where it works and how it writes.',
  person: 'Everybody who works or worked here. No password and no second factor.',
  licence: 'Licences of the people: number, what for, until when.',
  client: 'Clients with their contacts and how they want to be told.',
  site: 'Sites with address, position, hours and what to know before going there.',
  site_feature:
    'What a plan shows beside trees: ground, buildings, paving, beds, water, wells, hives, play grounds.',
  plan_picture: 'Pictures that lie under plans. The pictures lie in photos/.',
  plan_step: 'Changes of plans, as they were before and after.',
  site_money: 'What work costs and trees are worth at a site.',
  tree: 'Trees, standing and gone.',
  stem_reading: 'Readings of trunks, as typed and in metres.',
  reading_struck: 'Readings that were struck out, with the reason.',
  ring_mark: 'What is marked around a trunk.',
  safety_screen: 'First looks at whether a tree is safe.',
  tree_import: 'Lists of trees that were taken in from files.',
  tree_import_change: 'Trees that such a list changed, as they were before.',
  assessment: 'Examinations.',
  finding: 'What was looked for in an examination, and found or not.',
  photo: 'Photographs: when, by whom, of what. The pictures lie in photos/.',
  diagnosis: 'Diagnoses with the weights they rest on.',
  decision: 'Decisions with their reasons.',
  prescription: 'Signed prescriptions.',
  prescription_item: 'Lines of work of a prescription.',
  occurrence: 'Turns of a line of work, each with its window.',
  item_subject: 'A line of work at one tree: dose, ports, and the working.',
  job: 'Jobs: a site, a day, a crew.',
  job_item: 'Which turns of which lines a job holds.',
  job_subject: 'Trees of a job with how far they are.',
  step: 'Steps of a tree of a job, in order.',
  step_event: 'What was pressed at a step, with the time of the device.',
  step_state: 'Where each step has come to.',
  application: 'What was applied: when, with what, of which lot.',
  application_subject: 'What of it went to each tree.',
  application_correction: 'Amounts that corrections changed.',
  applied_by_others: 'What others have put on the ground of a site.',
  record: 'The ledger: records and corrections, each with the hash of the one before.',
  seal: 'Seals of the records. The key they are made with is not in the archive.',
  follow_up: 'Visits that were promised.',
  measurement: 'What was measured at a visit, and the verdict.',
  crew: 'Crews.',
  absence: 'Days on which people or crews are away.',
  loaded: 'What was put on trucks for a day, or was missing.',
  message: 'What was sent to clients about work, to whom, when and in which words.',
  stock_move: 'What happened to lots beside their use: bought, opened, spilled, given back, counted.',
  stock_least: 'How much of a card is to be there at least.',
  day_ended: 'A crew’s day that was put away, and by whom.',
  left_in: 'What was decided of ports that stayed in a tree when a day was put away.',
  done_away: 'Work done without a signal, with what stood against it when it was entered.',
  moved: 'Days that were moved, with the reason.',
  card: 'Label cards, every version.',
  card_use: 'What a card allows.',
  lot: 'Lots on the shelf.',
  house_rule: 'Rules of the house.',
  local_rule: 'Local rules.',
  almanac_note: 'Own notes to entries of the almanac.',
  almanac_own: 'Own entries and figures of the almanac.',
  practice_run: 'Practice cases that were weighed.',
  stage_seen: 'Stages of the season that were seen at sites.',
  weather_day: 'Days of weather as they were known.',
  hours_entered: 'Hours of weather that came from files, with the days as they were before.',
  weather_reading: 'Weather measured on site.',
  audit_event: 'Every step that was done: by whom, when, on what.',
  change: 'Earlier states of what was changed.',
}

/** What stays behind: it opens doors, belongs to one database, or is made anew from the rest. */
export const LEFT: Record<string, string> = {
  api_token: 'Tokens open doors.',
  calendar_link: 'Links to calendars open doors.',
  door_link: 'Invitations and links for a new password open doors.',
  session: 'Sessions open doors.',
  sign_in_attempt: 'Belongs to the database.',
  set_up: 'Belongs to the database.',
  firm_away: 'Belongs to the database.',
  asked: 'Belongs to the database.',
  search_entry: 'Made anew from names and tags.',
  ledger_check: 'Made anew by the next check.',
}

/** Columns that stay behind: they open doors, or lie in a file of their own. */
export const LEFT_COLUMNS: Record<string, readonly string[]> = {
  person: [
    'password_hash',
    'demo_password',
    'factor_secret',
    'factor_since',
    'factor_last',
    'recovery_codes',
  ],
  photo: ['jpeg'],
  plan_picture: ['jpeg'],
}

/** What goes along beside the rest when a firm moves from one database of ours to another: it stays as open as it was. */
export const DOORS: readonly string[] = ['api_token', 'calendar_link', 'door_link', 'session']

/** The columns that are left out: of a firm that moves only those that lie in files of their own. */
export const leftOut = (kind: string, moving: boolean): readonly string[] =>
  (LEFT_COLUMNS[kind] ?? []).filter((column) => !moving || column === 'jpeg')

/** The file of a kind of thing: `stem_reading` → `stem-reading.jsonl`. */
export const fileOf = (kind: string): string => `${kind.replace(/_/g, '-')}.jsonl`

/** Kinds whose pictures lie in files of their own. */
export const PICTURED: readonly string[] = ['photo', 'plan_picture']

/** The file of a photograph. */
export const photoFile = (id: string): string => `photos/${id}.jpg`

/** A file of an archive as its manifest names it. */
export interface ArchiveFile {
  path: string
  /** Lines of it; null of a photograph. */
  rows: number | null
  /** Of the file as it is unpacked, in hexadecimal digits. */
  sha256: string
}

export interface Manifest {
  format: typeof FORMAT.format
  version: number
  /** The newest migration of the database it was taken from. */
  schema: number
  firm: { id: string; name: string }
  made: string
  files: ArchiveFile[]
}
