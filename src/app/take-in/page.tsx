import { Suspense } from 'react';
import { TakeInScreen } from '@/features/pupils/hand-over/take-in-screen';

export default function TakeInPage() {
  return (
    <Suspense fallback={null}>
      <TakeInScreen />
    </Suspense>
  );
}
