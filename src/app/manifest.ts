import type { MetadataRoute } from 'next';
import { ownAddress, SHELF } from '@/features/shared/address/own-address';

/** What an installed New Thumb is called and looks like. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    id: ownAddress('/'),
    name: 'New Thumb',
    short_name: 'New Thumb',
    description: 'Beginners’ piano pieces in other keys and hand positions.',
    start_url: SHELF,
    scope: SHELF,
    display: 'standalone',
    background_color: '#fffdf8',
    theme_color: '#fffdf8',
    icons: [
      { src: ownAddress('/icon.svg'), sizes: 'any', type: 'image/svg+xml' },
      { src: ownAddress('/icons/icon-192.png'), sizes: '192x192', type: 'image/png' },
      { src: ownAddress('/icons/icon-512.png'), sizes: '512x512', type: 'image/png' },
      { src: ownAddress('/icons/whole-512.png'), sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
