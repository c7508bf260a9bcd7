import { addDays } from '@/core/time/calendar'
import { byHand, decided, type States } from './signed'
import { idFor, type Story } from './story'
import { wentWell, worked } from './worked'

interface Done {
  tag: string
  /** Days ago it was decided; it was done two days later. */
  ago: number
  findings: States
  cause: string
  words: string
  code: string
  hand: Record<string, string>
  notes?: Record<string, string>
  notices: string
  /** What was written at the first check since. */
  found: string
}

/** Work without a bottle that is done and signed: a guard against voles, scent against deer, a gnawed stem saved, a flare opened. */
const DONE: readonly Done[] = [
  {
    tag: 'Wall 1',
    ago: 210,
    findings: { 'gnaw-base': 'there', 'tunnels-mulch': 'there', 'mulch-piled': 'there' },
    cause: 'vole-gnawing',
    words: 'Mesh before the snow, the grass cut short.',
    code: 'HC-MESH',
    hand: { animal: 'vole', snow: '12 in' },
    notices: 'The head gardener has the roll that is left.',
    found: 'No new teeth; the mesh is loosened for the summer.',
  },
  {
    tag: 'Wall 2',
    ago: 70,
    findings: { 'gnaw-base': 'there', 'tunnels-mulch': 'there' },
    cause: 'vole-gnawing',
    words: 'Most of the bark is left; what is bare is covered at once.',
    code: 'HC-SAVE',
    hand: { lost: '35', height: '3 in', where: 'above the graft' },
    notices: 'Nobody mows there until it has closed.',
    found: 'The edge rolls in on both sides.',
  },
  {
    tag: 'Rhodo 3',
    ago: 60,
    findings: { 'browse-torn': 'there' },
    cause: 'deer-browse',
    words: 'A fence is too much for one walk; scent, and again after rain.',
    code: 'HC-SCENT',
    hand: { pieces: '4' },
    notices: 'The trust knows what hangs there.',
    found: 'Not a shoot taken since.',
  },
  {
    tag: 'Elm 52',
    ago: 230,
    findings: { 'flare-hidden': 'there', 'crown-thin-even': 'there', 'root-girdling': 'there' },
    cause: 'girdling-roots',
    words: 'Open it; the root that presses hardest first, the other in a year.',
    code: 'HC-FLARE',
    hand: { north: '5 in', south: '4 in', roots: '15, 20' },
    notes: { open: '5 in', found: 'girdling root', anchors: 'all sound', roots: '15' },
    notices: 'Street office told; cones by the kerb.',
    found: 'Open and dry; the crown holds.',
  },
]

/** Plays all of it, with what was found at the checks since. */
export async function byHandDone(story: Story, today: string): Promise<void> {
  for (const d of DONE) {
    const tree = await decided(story, d.tag, d.ago, d.findings, d.cause, 'care', {
      words: d.words,
      due: addDays(today, 30 - d.ago),
    })
    const { jobId } = (await story.do('maren', d.ago - 1, 'hand-to-crew', {
      id: idFor(`rx ${d.tag}`),
      items: [byHand(d.code, [tree], d.hand)],
      onDate: addDays(today, 2 - d.ago),
    })) as { jobId: string }
    await worked(story, jobId, {
      name: d.tag,
      ago: d.ago - 2,
      notes: d.notes,
      record: { lot: 'house card', notices: d.notices },
    })
    await wentWell(story, d.tag, today, 1, d.found)
  }
}
