import { AboutScreen } from '@/features/about/about-screen';

export default function AboutPage() {
  return <AboutScreen />;
}
