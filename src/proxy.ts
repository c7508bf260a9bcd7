import { NextResponse, type NextRequest } from 'next/server'

/** Tells the pages their own address, so that a sign-in leads back to it. */
export function proxy(request: NextRequest) {
  const headers = new Headers(request.headers)
  headers.set('x-elmhorn-path', request.nextUrl.pathname + request.nextUrl.search)
  return NextResponse.next({ request: { headers } })
}

export const config = { matcher: ['/((?!_next/|api/|favicon|icon).*)'] }
