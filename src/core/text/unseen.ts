// Control characters of both tables, lone halves of a pair, and marks that turn the direction of reading or hide: none
// can be seen, and all can make one name look like another. Tabs and line ends are kept where lines are.
const SIGNS =
  /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200b\u200e\u200f\u202a-\u202e\u2060-\u2069\ufeff\ufff9-\ufffb]|\p{Cs}/u
const EVERY = new RegExp(SIGNS.source, 'gu')

/** True when a text holds characters that cannot be seen or kept. `hasUnseen('ash\u0000') === true` */
export function hasUnseen(text: string): boolean {
  return SIGNS.test(text)
}

/** A text without them. `withoutUnseen('a\u202eb')` is "ab" */
export function withoutUnseen(text: string): string {
  return text.replace(EVERY, '')
}
