import type { Stop } from './stop'

/** A stop of one tree to be pruned on a Monday by nobody yet, with what matters to a test. */
export function stopWith(more: Partial<Stop>): Stop {
  return {
    id: 'stop',
    siteId: 'site',
    jobId: 'job',
    occurrenceId: null,
    onDate: '2026-06-15',
    crewId: null,
    place: null,
    pinned: false,
    begun: false,
    anew: 0,
    methods: ['prune'],
    cards: ['Cut out'],
    uses: ['use'],
    block: null,
    licence: false,
    trees: 1,
    minutes: 100,
    dueFrom: null,
    dueTo: '2026-06-15',
    subjects: [],
    ...more,
  }
}
