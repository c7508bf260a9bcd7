/** Called once when the app comes up. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { startWatch } = await import('./server/ledger/watch')
  startWatch()
}
