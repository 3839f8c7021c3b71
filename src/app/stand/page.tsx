import { Suspense } from 'react';
import { Stand } from '@/features/bench/stand/stand';

export default function StandPage() {
  return (
    <Suspense fallback={null}>
      <Stand />
    </Suspense>
  );
}
