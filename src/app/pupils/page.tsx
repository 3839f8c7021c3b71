import { Suspense } from 'react';
import { PupilsScreen } from '@/features/pupils/pupils-screen';

export default function PupilsPage() {
  return (
    <Suspense fallback={null}>
      <PupilsScreen />
    </Suspense>
  );
}
