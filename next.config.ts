import type { NextConfig } from 'next'

const config: NextConfig = {
  poweredByHeader: false,
  // Types are checked by themselves, before a build is worth its time.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['argon2', 'postgres', 'pino', 'sharp', 'piscina'],
  // Several builds may live side by side (the demo's and the tests').
  distDir: process.env.NEXT_DIST_DIR ?? '.next',
  devIndicators: false,
  async headers() {
    return [
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Referrer-Policy', value: 'same-origin' },
          // Only heeded over TLS; a plain loopback address is not touched by it.
          { key: 'Strict-Transport-Security', value: 'max-age=31536000; includeSubDomains' },
          {
            key: 'Permissions-Policy',
            value:
              'camera=(self), geolocation=(self), microphone=(), payment=(), usb=(), bluetooth=(), serial=(), display-capture=()',
          },
          { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
          { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
        ],
      },
      {
        // Answers of the API are data, never a page. Pages get their own policy from src/proxy.ts.
        source: '/api/:path*',
        headers: [{ key: 'Content-Security-Policy', value: "default-src 'none'; frame-ancestors 'none'" }],
      },
    ]
  },
}

export default config
