import { Suspense } from 'react';
import { SurveyScreen } from '@/features/survey/survey-screen';

export default function SurveyPage() {
  return (
    <Suspense fallback={null}>
      <SurveyScreen />
    </Suspense>
  );
}
