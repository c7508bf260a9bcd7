/** What a client is told of: the day of work, that it is tomorrow, that it is done. */
export const MESSAGE_KINDS = ['day', 'tomorrow', 'done'] as const
export type MessageKind = (typeof MESSAGE_KINDS)[number]
