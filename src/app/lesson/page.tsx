import { Suspense } from 'react';
import { LessonScreen } from '@/features/practice/lesson/lesson-screen';

export default function LessonPage() {
  return (
    <Suspense fallback={null}>
      <LessonScreen />
    </Suspense>
  );
}
