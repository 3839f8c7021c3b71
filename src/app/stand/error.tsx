'use client';

import { TroublePage } from '@/features/shared/trouble-page';

export default function Trouble({ reset }: { readonly reset: () => void }) {
  return <TroublePage what="The music stand" onAgain={reset} />;
}
