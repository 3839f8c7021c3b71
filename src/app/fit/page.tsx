import { Suspense } from 'react';
import { FitScreen } from '@/features/fit/fit-screen';

export default function FitPage() {
  return (
    <Suspense fallback={null}>
      <FitScreen />
    </Suspense>
  );
}
