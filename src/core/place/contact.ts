/** Somebody at a client: whom to ask for, and how to reach them. */
export interface Contact {
  name: string
  role: string | null
  telephone: string | null
  email: string | null
  language: string
}
