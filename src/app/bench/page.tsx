import { Suspense } from 'react';
import { Bench } from '@/features/bench/bench';

export default function BenchPage() {
  return (
    <Suspense fallback={null}>
      <Bench />
    </Suspense>
  );
}
