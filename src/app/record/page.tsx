import { Suspense } from 'react';
import { RecordScreen } from '@/features/practice/record/record-screen';

export default function RecordPage() {
  return (
    <Suspense fallback={null}>
      <RecordScreen />
    </Suspense>
  );
}
