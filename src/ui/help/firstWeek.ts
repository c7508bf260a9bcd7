/** A short page for the first week: a few paragraphs and one thing to try. */
export interface HelpPage {
  slug: string
  title: string
  text: readonly string[]
  tryIt: { words: string; go: string; href: string }
}

/** Ten pages, in the order a firm comes to them. */
export const FIRST_WEEK: readonly HelpPage[] = [
  {
    slug: 'a-day',
    title: 'A day',
    text: [
      'A tree goes one way: it is examined, the causes are weighed, somebody decides, a work is prescribed, the crew runs it, a record is signed, and somebody comes back to see whether it worked. Wherever it stops, it waits for one person, and it waits in sight.',
      'Today shows what waits for you. Whose turn shows what waits for everybody. Neither can be tidied away: a line goes when the work is done, or when it is ended with a reason.',
      'Nothing typed is lost when something is refused. A refusal says which field, which rule, and the way out.',
    ],
    tryIt: { words: 'Open Whose turn and see where the most trees wait.', go: 'Whose turn', href: '/turn' },
  },
  {
    slug: 'your-firm',
    title: 'Your firm and its people',
    text: [
      'Ask each person in with a link; they choose their own password. Arborists sign causes, decisions and prescriptions; crew leads run and correct; technicians run; the office plans, rings and keeps the lists. Whoever keeps the house also sees to people, tokens and the archive.',
      'Write licences down with the day they end: sixty days before, everybody it concerns is told, and without one the gate stays shut.',
      'Copy the rules of your place under Rules. They are held in every prescription, with your words and your source.',
    ],
    tryIt: {
      words: 'Look at who may do what, and when their licences end.',
      go: 'People',
      href: '/settings/people',
    },
  },
  {
    slug: 'places',
    title: 'Clients, sites and plans',
    text: [
      'A client has sites, a site has trees. Say where a site lies, and its weather is its own; say how to get in, and the crew reads it on the day.',
      'Trees come by a press on the plan, by coordinates, by where you stand, or all at once from a list. A list is looked at before it is taken, and can be taken back for seven days.',
      'Draw water and wells first, or say that there is none near the trees: until then nothing is signed that keeps a distance from them. Draw the ground, and yearly limits are worked out by what is measured. Around hives and play grounds say how far is kept.',
    ],
    tryIt: { words: 'Open a site, press Plan, draw a bed, and undo it.', go: 'Grounds', href: '/grounds' },
  },
  {
    slug: 'cards',
    title: 'Cards: the label in your hand',
    text: [
      'A card is a label as you copied it: kinds, causes, rates, limits, intervals, distances. Doses and refusals come from it and from nothing else. The examples show how a card is filled in; they are no labels.',
      'When a label changes, enter the new version. What was signed by the old one and is not begun is marked, and worked out again.',
      'Lots say what is really in the truck. A record names the lot.',
    ],
    tryIt: { words: 'Open a card and read back what the product holds you to.', go: 'Shelf', href: '/shelf' },
  },
  {
    slug: 'examining',
    title: 'Examining',
    text: [
      'Begin far off and come nearer: crown, limbs, trunk, flare, ground. Say of each sign whether it is there, not there, or unsure. “Not there” is worth as much as “there”; what nobody looked at is asked for where it would change the answer.',
      'Mark the ring as you walk round: wounds, cankers, old holes, dead bark. Ports are placed around what you marked.',
      'Measure girth at breast height, every stem. A reading holds for a year.',
    ],
    tryIt: {
      words: 'Open a tree that waits and set three signs with the keys 1 and 2.',
      go: 'Examine',
      href: '/waiting/examine',
    },
  },
  {
    slug: 'weighing',
    title: 'Weighing and deciding',
    text: [
      'All causes are held against what was seen, together: two can be there at once. The figure is how sure the answer is with what is known; open it to see which sign speaks for what.',
      'Two that look alike are told apart by one more look, and the screen names it. Where a laboratory has to say, the sample says what to take.',
      'Deciding is a step of its own: a cause that is there need not be treated. Care, watching, removal and referral are answers as good as any.',
    ],
    tryIt: {
      words: 'Open a weighed tree and see which single look would change the answer.',
      go: 'Weigh',
      href: '/waiting/weigh',
    },
  },
  {
    slug: 'prescribing',
    title: 'Prescribing',
    text: [
      'Only ways that may be used today are open; the others say why not, and from when. Dose, ports and hours come from the trunk as it was measured and the card as it was copied. Press a figure to see how it came about.',
      'The gate asks of everything that was done, is planned, or was promised: intervals, counts, rotation, season, bees, food, water, the yearly limit of the ground.',
      'What you sign is what the crew sees. If something changes afterwards, the crew is told before it begins.',
    ],
    tryIt: {
      words: 'Open a decided tree, choose a way and open the working of its dose.',
      go: 'Prescribe',
      href: '/waiting/prescribe',
    },
  },
  {
    slug: 'many-trees',
    title: 'Many trees at once',
    text: [
      'Trees that stand alike are worked alike: name blocks, copy what a site shares while examining, sign one cause for a block.',
      'Prescribe for many signs once for all, and each tree still has its own dose. What is wanting is said of each tree by its tag.',
      'Decide for many shares money and hours among what is worth most; change a priority and see who gains.',
    ],
    tryIt: { words: 'Open your largest site and press Prescribe for many.', go: 'Grounds', href: '/grounds' },
  },
  {
    slug: 'the-week',
    title: 'The week',
    text: [
      'Jobs stand on days and with crews. Moved to another day, each tree goes through its gate again, and the reason is kept.',
      'Have a week planned: hours, roads, weather and windows are looked at together. It is a draft until somebody takes it.',
      'What is due and stands on no day waits under Run, Due.',
    ],
    tryIt: { words: 'Open the week and read why a job is not on a day.', go: 'Week', href: '/week' },
  },
  {
    slug: 'running',
    title: 'Running and the record',
    text: [
      'At the tree: read the tag, put the gear on, begin. One press a step; the press carries the time of the hand. What was done otherwise is entered as it was.',
      'The record is signed once everything is out and counted, with weather, lot and notices. It is never changed; a correction stands beside it, with its reason and its own signature.',
      'Every record is sealed to the one before. Health says if one no longer fits.',
    ],
    tryIt: { words: 'Open a record and follow it back to its prescription.', go: 'Ledger', href: '/ledger' },
  },
]

/** A page by its address. */
export const pageOf = (slug: string): HelpPage | undefined => FIRST_WEEK.find((p) => p.slug === slug)
