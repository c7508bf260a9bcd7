'use client'

type Asker = () => Promise<boolean>
let asker: Asker | null = null

/** The frame registers the dialog here; a form asks through {@link askToSignIn}. */
export function registerAsker(ask: Asker | null): void {
  asker = ask
}

/** Asks for the password over the page. True when the person is signed in again. */
export function askToSignIn(): Promise<boolean> {
  return asker ? asker() : Promise.resolve(false)
}
