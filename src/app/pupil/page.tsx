import { Suspense } from 'react';
import { PupilScreen } from '@/features/pupils/pupil-screen';

export default function PupilPage() {
  return (
    <Suspense fallback={null}>
      <PupilScreen />
    </Suspense>
  );
}
