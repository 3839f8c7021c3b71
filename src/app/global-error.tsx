'use client';

import { TroublePage } from '@/features/shared/shell/trouble-page';
import './globals.css';

/** Where what is around every screen came to grief. */
export default function Trouble({ reset }: { readonly reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <TroublePage what="New Thumb" onAgain={reset} />
      </body>
    </html>
  );
}
