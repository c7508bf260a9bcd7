/** A task as the crew reads it: its name on the button, and what to do with this tree's own numbers in it. */
export interface SaidTask {
  name: string
  text: string
  /** What one of several is called: hole, stem. */
  one?: string
  /** What a photograph of it shows, where one is wanted. */
  photo?: string
}
