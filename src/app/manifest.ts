import type { MetadataRoute } from 'next'

/** How the application stands on a device that has it installed: it opens at Today. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Elmhorn',
    short_name: 'Elmhorn',
    description: 'Assess, treat and record trees, with or without a signal.',
    id: '/',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#e9eee8',
    theme_color: '#1b2b23',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
    shortcuts: [
      { name: 'Work for the crew', url: '/run' },
      { name: 'Load-out', url: '/run/load' },
    ],
  }
}
