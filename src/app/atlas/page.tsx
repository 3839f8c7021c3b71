import { Suspense } from 'react';
import { AtlasScreen } from '@/features/atlas/atlas-screen';

export default function AtlasPage() {
  return (
    <Suspense fallback={null}>
      <AtlasScreen />
    </Suspense>
  );
}
