import type { JobView } from '@/server/read/work'

/** A tree of a job, and a port of it, as the page has them. */
export type JobTree = JobView['trees'][number]
export type JobPort = JobTree['ports'][number]
