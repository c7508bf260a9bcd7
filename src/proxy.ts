import { NextResponse, type NextRequest } from 'next/server'

/**
 * Tells the pages their own address, so that a sign-in leads back to it, and allows each page only the scripts and styles
 * that carry this answer's own number.
 */
export function proxy(request: NextRequest) {
  const nonce = btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(18))))
  const policy = [
    "default-src 'self'",
    // Our own files, and of what stands in the page only what carries the number; `unsafe-eval` only for work on it.
    `script-src 'self' 'nonce-${nonce}'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
    process.env.NODE_ENV === 'development'
      ? "style-src 'self' 'unsafe-inline'"
      : `style-src 'self' 'nonce-${nonce}'`,
    // Lengths and colours of drawings stand on the elements themselves.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    "connect-src 'self'",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
    "base-uri 'none'",
  ].join('; ')
  const headers = new Headers(request.headers)
  headers.set('x-elmhorn-path', request.nextUrl.pathname + request.nextUrl.search)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const answer = NextResponse.next({ request: { headers } })
  answer.headers.set('content-security-policy', policy)
  return answer
}

export const config = { matcher: ['/((?!_next/|api/|favicon|icon|manifest).*)'] }
