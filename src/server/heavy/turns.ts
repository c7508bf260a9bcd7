/** How many may do something at a time, and how many may wait for it. */
export interface TurnLimits {
  /** At a time, of all. */
  atOnce: number
  /** At a time, of one; as many as of all where it is not said. */
  each?: number
  /** Waiting, of one. */
  waitingEach: number
  /** Waiting, of all; no more than of one where it is not said. */
  waitingAll?: number
}

type Go = () => void

/**
 * Lets a few do something at a time. The others wait, and those who wait are served one of each in turn: whoever asks a hundred times stands
 * before nobody who asks once. Beyond a number nobody may wait.
 * @example const turns = new Turns({ atOnce: 1, waitingEach: 12, waitingAll: 200 }); await turns.take(firmId, () => work())
 */
export class Turns {
  private running = 0
  private readonly runningOf = new Map<string, number>()
  /** Who waits, in the order in which each is served next. */
  private readonly queues = new Map<string, Go[]>()
  private waitingNow = 0

  constructor(private readonly limits: TurnLimits) {}

  /** How many wait now. */
  get waiting(): number {
    return this.waitingNow
  }

  /** How many of one wait now. */
  waitingOf(whose: string): number {
    return this.queues.get(whose)?.length ?? 0
  }

  /** True where one more of this one would be sent away; one that goes ahead finds twice the room. */
  isFull(whose: string, ahead = false): boolean {
    const { waitingEach, waitingAll = waitingEach } = this.limits
    const room = ahead ? 2 : 1
    return (
      !this.isFree(whose) &&
      (this.waitingOf(whose) >= room * waitingEach || this.waitingNow >= room * waitingAll)
    )
  }

  /** True where one more of this one would begin at once. */
  isFree(whose: string): boolean {
    const { atOnce, each = atOnce } = this.limits
    return this.running < atOnce && (this.runningOf.get(whose) ?? 0) < each
  }

  /** Runs `work` when its turn comes, `ahead` of the others of the same one where it says so; null when too many wait already. */
  async take<T>(
    whose: string,
    work: () => Promise<T>,
    { ahead = false }: { ahead?: boolean } = {},
  ): Promise<{ value: T } | null> {
    if (this.isFull(whose, ahead)) return null
    if (this.isFree(whose)) this.count(whose, 1)
    else
      await new Promise<void>((go) => {
        const queue = this.queues.get(whose) ?? []
        if (ahead) queue.unshift(go)
        else queue.push(go)
        this.queues.set(whose, queue)
        this.waitingNow++
      })
    try {
      return { value: await work() }
    } finally {
      this.count(whose, -1)
      this.next()
    }
  }

  private count(whose: string, by: 1 | -1): void {
    this.running += by
    const now = (this.runningOf.get(whose) ?? 0) + by
    if (now === 0) this.runningOf.delete(whose)
    else this.runningOf.set(whose, now)
  }

  /** Lets the next one in: the first of those who wait that may, who then stands behind the others. */
  private next(): void {
    for (const [whose, queue] of this.queues) {
      if (!this.isFree(whose)) continue
      this.queues.delete(whose)
      const go = queue.shift()!
      if (queue.length > 0) this.queues.set(whose, queue)
      this.waitingNow--
      this.count(whose, 1)
      go()
      return
    }
  }
}
