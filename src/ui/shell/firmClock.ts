let ahead = 0

/** Sets the firm's clock by what a page from the server said it is. A device whose own clock is wrong still tells right. */
export function setFirmClock(serverNow: number): void {
  ahead = serverNow - Date.now()
}

/** The time on the firm's clock, epoch ms, as far as this device knows it. */
export function firmNow(): number {
  return Date.now() + ahead
}
