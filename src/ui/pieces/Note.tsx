import type { HTMLAttributes } from 'react'

/** What a note says: something to know, that all is well, that something stops the work, or about water and weather. */
export type NoteSays = 'know' | 'good' | 'stop' | 'water'

/** A few words set apart, with a bar whose colour says what kind they are; the words say it too. */
export function Note({
  says = 'know',
  as: Tag = 'p',
  className = '',
  ...rest
}: { says?: NoteSays; as?: 'p' | 'div' | 'section' | 'ul' | 'li' } & HTMLAttributes<HTMLElement>) {
  return <Tag {...rest} className={`note ${says === 'know' ? '' : `note-${says}`} ${className}`} />
}
