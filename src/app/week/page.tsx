import { Suspense } from 'react';
import { WeekScreen } from '@/features/pupils/week/week-screen';

export default function WeekPage() {
  return (
    <Suspense fallback={null}>
      <WeekScreen />
    </Suspense>
  );
}
