import { Suspense } from 'react';
import { HandoutScreen } from '@/features/handout/handout-screen';

export default function HandoutPage() {
  return (
    <Suspense fallback={null}>
      <HandoutScreen />
    </Suspense>
  );
}
