import type { MetadataRoute } from 'next';

/** What an installed New Thumb is called and looks like. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    id: '/',
    name: 'New Thumb',
    short_name: 'New Thumb',
    description: 'Beginners’ piano pieces in other keys and hand positions.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: '#fffdf8',
    theme_color: '#fffdf8',
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      { src: '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/whole-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
