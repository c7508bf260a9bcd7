/** Lets a few do something at a time; the others wait their turn, and beyond a number of them nobody may wait. */
export class Turns {
  private running = 0
  private readonly queue: (() => void)[] = []

  constructor(
    private readonly atOnce: number,
    private readonly mostWaiting: number,
  ) {}

  /** How many wait now. */
  get waiting(): number {
    return this.queue.length
  }

  /** Runs `work` when its turn comes; null when too many wait already. */
  async take<T>(work: () => Promise<T>): Promise<{ value: T } | null> {
    if (this.running >= this.atOnce) {
      if (this.queue.length >= this.mostWaiting) return null
      await new Promise<void>((resolve) => this.queue.push(resolve))
    } else this.running++
    try {
      return { value: await work() }
    } finally {
      const next = this.queue.shift()
      if (next) next()
      else this.running--
    }
  }
}
