/** How a client wants to be told of work. */
export const NOTICES = [
  ['e-mail', 'by e-mail'],
  ['telephone', 'by telephone'],
  ['letter', 'by letter'],
  ['none', 'not at all'],
] as const
