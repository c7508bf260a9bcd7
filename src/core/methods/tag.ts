/**
 * Whether what somebody reads off a tree is its tag: letters in any case, with or without spaces and dashes, and the number
 * alone where the tag ends in one.
 *
 * @example isTag('16', 'Ash 16') // true
 */
export function isTag(typed: string, tag: string): boolean {
  const plain = (text: string) => text.toLowerCase().replace(/[\s\-_.#]+/g, '')
  const [said, is] = [plain(typed), plain(tag)]
  if (said === '') return false
  const number = /(\d+[a-z]?)$/.exec(is)?.[1]
  return (
    said === is || (number !== undefined && said.replace(/^0+(?=\d)/, '') === number.replace(/^0+(?=\d)/, ''))
  )
}
