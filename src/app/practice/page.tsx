import { Suspense } from 'react';
import { Practice } from '@/features/practice/practice';

export default function PracticePage() {
  return (
    <Suspense fallback={null}>
      <Practice />
    </Suspense>
  );
}
