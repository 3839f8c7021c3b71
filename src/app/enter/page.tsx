import { Suspense } from 'react';
import { EntryScreen } from '@/features/entry/entry-screen';

export default function EnterPage() {
  return (
    <Suspense fallback={null}>
      <EntryScreen />
    </Suspense>
  );
}
