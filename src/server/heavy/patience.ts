/** So long after the last time it is forgotten. */
const FORGOTTEN_MS = 60_000
const FIRST_MS = 500
const LONGEST_MS = 8_000
/** As many keys are remembered; the oldest go first. */
const MOST_KEYS = 10_000

/**
 * Slows down whoever sends again and again what is refused for its size, each by themselves; nobody is shut out, and after a
 * quiet minute nothing is remembered. Held in this process.
 */
export class Patience {
  private readonly strikes = new Map<string, { n: number; at: number }>()

  constructor(
    private readonly now: () => number = Date.now,
    private readonly sleep: (ms: number) => Promise<void> = (ms) =>
      new Promise((resolve) => setTimeout(resolve, ms)),
  ) {}

  /** One more that was refused. */
  strike(key: string): void {
    const n = this.countOf(key) + 1
    this.strikes.delete(key)
    this.strikes.set(key, { n, at: this.now() })
    if (this.strikes.size > MOST_KEYS) this.strikes.delete(this.strikes.keys().next().value!)
  }

  /** Waits as long as what was refused before asks for; the first time not at all. */
  async wait(key: string): Promise<void> {
    const n = this.countOf(key)
    if (n > 0) await this.sleep(Math.min(LONGEST_MS, FIRST_MS * 2 ** (n - 1)))
  }

  private countOf(key: string): number {
    const found = this.strikes.get(key)
    return found && this.now() - found.at < FORGOTTEN_MS ? found.n : 0
  }
}
