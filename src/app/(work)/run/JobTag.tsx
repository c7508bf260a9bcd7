import type { JobLine } from '@/server/read/today'

/** How far a job is: what is in trees at this moment, or how many of its trees are recorded. */
export function JobTag({ job }: { job: Pick<JobLine, 'inTrees' | 'recorded' | 'trees' | 'anew'> }) {
  if (job.inTrees > 0) return <span className="tag tag-water">{`${job.inTrees} in trees, do not leave`}</span>
  if (job.anew > 0)
    return <span className="tag tag-plum">{`${job.anew} of ${job.trees} to be worked out again`}</span>
  if (job.recorded === job.trees) return <span className="tag tag-moss">all recorded</span>
  return <span className="tag tag-straw">{`${job.recorded} of ${job.trees} recorded`}</span>
}
