import type { NextConfig } from 'next'

const config: NextConfig = {
  poweredByHeader: false,
  // Types are checked by themselves, before a build is worth its time.
  typescript: { ignoreBuildErrors: true },
  serverExternalPackages: ['argon2', 'postgres', 'pino', 'sharp'],
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
          {
            key: 'Content-Security-Policy',
            value:
              "default-src 'self'; script-src 'self' 'unsafe-inline'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; worker-src 'self' blob:; frame-ancestors 'none'; form-action 'self'; base-uri 'self'",
          },
        ],
      },
    ]
  },
}

export default config
