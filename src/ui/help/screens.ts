/** What a screen is for, and what is pressed there. */
export interface Screen {
  /** The address, with `*` for what names a thing. */
  at: string
  name: string
  says: string
  keys?: readonly (readonly [key: string, what: string])[]
  /** The page of the first week that says more. */
  page?: string
}

const LIST = [['j, k, Enter', 'down and up the list, open']] as const
const RING = [['arrows', 'move the chosen mark or port by a degree; with Shift by five']] as const

/** Every screen, the narrower address before the wider one. */
export const SCREENS: readonly Screen[] = [
  {
    at: '/',
    name: 'Today',
    says: 'What waits for you today, the most pressing first: each line opens the work it names.',
    keys: LIST,
    page: 'a-day',
  },
  {
    at: '/turn',
    name: 'Whose turn',
    says: 'What waits for whom, by site: examine, weigh, decide, prescribe, and what came back.',
    keys: LIST,
  },
  {
    at: '/overdue',
    name: 'Overdue',
    says: 'Looks and answers whose day has passed, with what was promised and to whom.',
    keys: LIST,
    page: 'a-day',
  },
  {
    at: '/first-steps',
    name: 'First steps',
    says: 'The first hour of a firm, step by step; each ticks itself off. Put it away when you no longer need it.',
  },
  {
    at: '/grounds',
    name: 'Grounds',
    says: 'Every site you work at, with its trees and what to know before going there.',
    keys: LIST,
    page: 'places',
  },
  {
    at: '/grounds/*/plan',
    name: 'Plan',
    says: 'Draw what a gate asks about: water, wells, hives, play grounds, and the ground that yearly limits are of. Press a button, then the plan at each corner. Everything can be undone.',
    page: 'places',
  },
  {
    at: '/grounds/*/about',
    name: 'About the site',
    says: 'Where the site lies, how to get in, whom to ring, and what every tree there shows.',
    page: 'places',
  },
  {
    at: '/grounds/*/trees-from-file',
    name: 'Trees from a file',
    says: 'Drop a list; see what each column is taken for and what would change; take it, or leave it. What was taken can be taken back for seven days.',
    page: 'places',
  },
  {
    at: '/grounds/*/tags',
    name: 'Tags',
    says: 'Labels with a square code that opens the tree, as a sheet to print.',
  },
  {
    at: '/grounds/*/limits',
    name: 'Limits',
    says: 'What of each active this ground may still get this year, whoever put it on. Note here what others put on.',
    page: 'prescribing',
  },
  {
    at: '/grounds/*/season',
    name: 'Season',
    says: 'How far the season is here: warmth, stages, soil and hours. Note what you see and read; give a station’s file.',
  },
  {
    at: '/grounds/*/ahead',
    name: 'To come',
    says: 'What is booked, due and promised at this site, by day.',
    keys: LIST,
    page: 'the-week',
  },
  {
    at: '/grounds/*/blocks',
    name: 'Blocks',
    says: 'Rows and banks that are worked together: name them, walk them, sign one cause for all.',
    page: 'many-trees',
  },
  {
    at: '/grounds/*/decide',
    name: 'Decide for many',
    says: 'Which trees are worth treating within money and hours; each figure opens its working.',
    page: 'many-trees',
  },
  {
    at: '/grounds/*/prescribe',
    name: 'Prescribe for many',
    says: 'One signature for all trees of a site that take the same work, each with its own dose.',
    page: 'many-trees',
  },
  {
    at: '/grounds/*',
    name: 'Site',
    says: 'The plan and the trees side by side; pointing at one lights it in both. Add trees by pressing the plan, by distances or by position.',
    keys: [['n', 'a new tree'], ...LIST],
    page: 'places',
  },
  {
    at: '/clients/new',
    name: 'New client',
    says: 'Whom you work for, whom to ring, and how they want to be told.',
    page: 'places',
  },
  {
    at: '/clients/*/new-site',
    name: 'New site',
    says: 'Where the trees of this client stand.',
    page: 'places',
  },
  {
    at: '/clients/*',
    name: 'Client',
    says: 'Contacts, sites and notices of one client; join one that was entered twice, put away who is served no more.',
    page: 'places',
  },
  { at: '/clients', name: 'Clients', says: 'Everybody you work for.', keys: LIST, page: 'places' },
  {
    at: '/trees/*/examine',
    name: 'Examine',
    says: 'Walk round the tree from far to near; say of each sign whether it is there. What is not looked at is asked later where it matters.',
    keys: [
      ['1, 2, 3, 4', 'there, not there, unsure, not looked at'],
      ['c', 'copy what the site shares'],
      ['[ and ]', 'the tree before, the next'],
      ...RING,
    ],
    page: 'examining',
  },
  {
    at: '/trees/*/weigh',
    name: 'Weigh',
    says: 'All causes held against what was seen. Sign one, with your reason where you differ, or look at what would tell two apart.',
    keys: [['w', 'open or close the working']],
    page: 'weighing',
  },
  {
    at: '/trees/*/decide',
    name: 'Decide',
    says: 'Treat, care, watch, remove or refer, with reasons; what was decided before is shown beside it.',
    page: 'weighing',
  },
  {
    at: '/trees/*/prescribe',
    name: 'Prescribe',
    says: 'Choose a way; what closes one says why and from when. Dose, limit and hours stand beside the drawing; every figure opens its working.',
    keys: [['w', 'open or close the working'], ...RING],
    page: 'prescribing',
  },
  {
    at: '/trees/*/sample',
    name: 'Sample',
    says: 'What to take for the laboratory, from where, and how it is sent.',
    page: 'examining',
  },
  { at: '/trees/*/client', name: 'For the client', says: 'One page in plain words to hand over or print.' },
  {
    at: '/trees/*',
    name: 'Tree',
    says: 'One tree with its ring, its readings and everything that was done to it. Measure, move, correct.',
    keys: [['[ and ]', 'the tree before, the next'], ...RING],
  },
  { at: '/waiting/*', name: 'Waiting', says: 'Trees that wait at this step, by site.', keys: LIST },
  {
    at: '/week/crews',
    name: 'Crews',
    says: 'Who goes out together, with which truck, on which days; who is away.',
    page: 'the-week',
  },
  {
    at: '/week',
    name: 'Week',
    says: 'Jobs by day and crew. Draw one to another day: what closes it there is said. Have a week planned, change it, take it.',
    page: 'the-week',
  },
  {
    at: '/run/*/tell',
    name: 'Tell the client',
    says: 'What a client is told of this work, in their language, and what they were told before.',
  },
  {
    at: '/grounds/*/sign',
    name: 'Sign',
    says: 'The sign that is posted at a place; its code tells whoever reads it whether it is still closed.',
  },
  {
    at: '/run/evening',
    name: 'Evening',
    says: 'What is still in trees, the shortest way to collect it, and the day that is put away.',
  },
  {
    at: '/run/load',
    name: 'Load-out',
    says: 'What goes on a truck for its day: products by lot with a tenth to spare, water, hardware, gear, notices, and what is mixed. Tick it in the yard; what is missing is seen in the office at once.',
    page: 'running',
  },
  {
    at: '/run/due',
    name: 'Due',
    says: 'Work whose window has come and that stands on no day yet.',
    keys: LIST,
    page: 'the-week',
  },
  {
    at: '/run/*',
    name: 'Job',
    says: 'Tree by tree, step by step: one press each, with the time of the press. Sign the record once all is out and counted.',
    page: 'running',
  },
  {
    at: '/run',
    name: 'Run',
    says: 'The jobs of today and the days around it. Open one to begin.',
    keys: LIST,
    page: 'running',
  },
  {
    at: '/ledger/*',
    name: 'Record',
    says: 'What was done, as it was signed. It is never changed; a correction stands beside it, with its reason.',
    page: 'running',
  },
  {
    at: '/ledger',
    name: 'Ledger',
    says: 'Every record in its order, each sealed to the one before.',
    keys: LIST,
    page: 'running',
  },
  {
    at: '/follow-up/walk',
    name: 'Walk',
    says: 'All looks of a site in one round, tree after tree.',
    page: 'a-day',
  },
  {
    at: '/follow-up/*',
    name: 'Look',
    says: 'What was expected and what you see now; what follows is proposed.',
    page: 'a-day',
  },
  {
    at: '/follow-up',
    name: 'Follow-up',
    says: 'Looks that were promised, by day.',
    keys: LIST,
    page: 'a-day',
  },
  {
    at: '/almanac/*/*',
    name: 'Almanac',
    says: 'One cause, kind, finding or method: what it looks like, what is mistaken for it, what is done.',
  },
  {
    at: '/almanac',
    name: 'Almanac',
    says: 'What the product knows, to be read; your own entries and figures stand beside it, with who wrote them.',
  },
  {
    at: '/practice/*/*',
    name: 'Practice',
    says: 'A case to try yourself on; you are told how you did, and nobody else.',
  },
  { at: '/practice', name: 'Practice', says: 'Cases to try yourself on before a season.' },
  {
    at: '/shelf/new',
    name: 'New card',
    says: 'Copy a label line by line; what the product will hold you to is read back as you type.',
    page: 'cards',
  },
  {
    at: '/shelf/*',
    name: 'Card',
    says: 'A label as it was copied, with its lots. A new version takes the place of the old one everywhere.',
    page: 'cards',
  },
  {
    at: '/shelf',
    name: 'Shelf',
    says: 'The labels you work by and the lots you have.',
    keys: LIST,
    page: 'cards',
  },
  {
    at: '/reckon',
    name: 'Reckon',
    says: 'Any single sum, with its working, without a tree. Nothing is kept.',
  },
  {
    at: '/settings/people',
    name: 'People',
    says: 'Who works here, what each may do, licences and invitations.',
    page: 'your-firm',
  },
  {
    at: '/settings/firm',
    name: 'Firm',
    says: 'What the firm is called and where it works. Take everything with you from here.',
    page: 'your-firm',
  },
  {
    at: '/settings/rules',
    name: 'Rules',
    says: 'What holds beside the label: of the place and of your house.',
    page: 'your-firm',
  },
  {
    at: '/settings/device',
    name: 'This device',
    says: 'Light for sun or night, by what it calls, and what is kept on it without a signal.',
  },
  {
    at: '/settings/api',
    name: 'Other programs',
    says: 'Tokens for programs that read or write here, and their description.',
  },
  {
    at: '/settings',
    name: 'Settings',
    says: 'What holds for you: units, password, second factor, devices you are signed in at.',
    page: 'your-firm',
  },
  { at: '/help/*', name: 'Help', says: 'One of ten short pages, each with a thing to try.' },
  { at: '/help', name: 'Help', says: 'Ten short pages for the first week, each with a thing to try.' },
]

/** The screen at an address. `screenAt('/trees/0190…/weigh')?.name === 'Weigh'` */
export function screenAt(path: string): Screen | undefined {
  const parts = path.split('/').filter(Boolean)
  return SCREENS.find(({ at }) => {
    const own = at.split('/').filter(Boolean)
    return own.length === parts.length && own.every((part, i) => part === '*' || part === parts[i])
  })
}

/** Keys that mean the same on every screen. */
export const EVERYWHERE: readonly (readonly [key: string, what: string])[] = [
  ['/', 'find a tree or a place'],
  ['?', 'this help'],
]
