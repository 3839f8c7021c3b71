import { SettingsScreen } from '@/features/settings/settings-screen';

export default function SettingsPage() {
  return <SettingsScreen />;
}
