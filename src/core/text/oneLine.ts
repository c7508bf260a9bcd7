import { withoutUnseen } from './unseen'

/** A text on one line, without what cannot be seen: for names in headers and calendars. `oneLine('Elm\r\nRow')` is "Elm Row" */
export function oneLine(text: string): string {
  return withoutUnseen(text.replace(/\s+/g, ' ')).trim()
}
