'use client';

import { useEffect } from 'react';
import { useSettings } from '@/data';

/** Light or dark, as the teacher chose. */
export function useLook(): void {
  const settings = useSettings();
  useEffect(() => {
    if (!settings) return;
    const root = document.documentElement;
    if (settings.look === 'system') delete root.dataset['theme'];
    else root.dataset['theme'] = settings.look;
  }, [settings]);
}
