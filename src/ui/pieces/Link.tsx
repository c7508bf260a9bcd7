import NextLink from 'next/link'
import type { ComponentProps } from 'react'

/**
 * A way to another page. Pages are read when they are asked for and not before: each says what stands at that moment, and a page
 * of thirty links would ask the server thirty times for what nobody opens.
 */
export function Link(link: ComponentProps<typeof NextLink>) {
  return <NextLink prefetch={false} {...link} />
}
