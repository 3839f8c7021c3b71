'use client';

import { TroublePage } from '@/features/shared/trouble-page';
import { useWords } from '@/features/shared/words/use-words';

export default function Trouble({ reset }: { readonly reset: () => void }) {
  const w = useWords();
  return <TroublePage what={w.places.takeIn} onAgain={reset} />;
}
