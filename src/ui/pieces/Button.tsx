import { Link } from './Link'
import type { ButtonHTMLAttributes, ComponentProps } from 'react'

/**
 * What is pressed. `now` is the one thing to do next on a page; `chosen` shows that it is what holds; `quiet` stands back. Everything else that
 * can be pressed looks the same everywhere.
 */
export interface ButtonLook {
  now?: boolean
  chosen?: boolean
  /** Seldom needed: it stands back behind the others. */
  quiet?: boolean
  className?: string
}

function look({ now, chosen, quiet, className }: ButtonLook): string {
  return ['btn', now && 'btn-now', chosen && 'btn-chosen', quiet && 'btn-quiet', className]
    .filter(Boolean)
    .join(' ')
}

/** A button; it sends a form only where it says `type="submit"`. */
export function Button({
  now,
  chosen,
  quiet,
  className,
  ...button
}: ButtonLook & ButtonHTMLAttributes<HTMLButtonElement>) {
  return <button type="button" {...button} className={look({ now, chosen, quiet, className })} />
}

/** A way to another page that looks like a button. */
export function ButtonLink({
  now,
  chosen,
  quiet,
  className,
  ...link
}: ButtonLook & ComponentProps<typeof Link>) {
  return <Link {...link} className={look({ now, chosen, quiet, className })} />
}
