import type { MetadataRoute } from 'next';

/** What an installed New Thumb is called and looks like. */
const BASE_PATH = process.env['NEXT_PUBLIC_BASE_PATH'] ?? '';

export default function manifest(): MetadataRoute.Manifest {
  return {
    id: `${BASE_PATH}/`,
    name: 'New Thumb',
    short_name: 'New Thumb',
    description: 'Beginners’ piano pieces in other keys and hand positions.',
    start_url: BASE_PATH === '' ? '/' : BASE_PATH,
    scope: BASE_PATH === '' ? '/' : BASE_PATH,
    display: 'standalone',
    background_color: '#fffdf8',
    theme_color: '#fffdf8',
    icons: [
      { src: BASE_PATH + '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      { src: BASE_PATH + '/icons/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: BASE_PATH + '/icons/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: BASE_PATH + '/icons/whole-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
