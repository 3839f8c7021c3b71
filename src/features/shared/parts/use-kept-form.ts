'use client';

import { useCallback, useEffect } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';
import { mixed } from 'yup';
import { typedPlace } from '@/data';

const keptSchema = mixed<Readonly<Record<string, unknown>>>(
  (value): value is Readonly<Record<string, unknown>> =>
    typeof value === 'object' && value !== null && !Array.isArray(value),
).required();

/** Keeps what is typed into a form over a reload of the page, in this tab alone. Gives what forgets it, once it is kept elsewhere or left. */
export function useKeptForm<T extends FieldValues>(name: string, form: UseFormReturn<T>): () => void {
  const place = typedPlace(name);
  const { subscribe, reset, getValues } = form;
  useEffect(() => {
    const kept = parsed(sessionStorage.getItem(place));
    if (kept) reset({ ...getValues(), ...kept } as T, { keepDefaultValues: true });
    return subscribe({
      formState: { values: true },
      callback: ({ values }) => sessionStorage.setItem(place, JSON.stringify(values)),
    });
  }, [place, subscribe, reset, getValues]);
  return useCallback(() => sessionStorage.removeItem(place), [place]);
}

function parsed(text: string | null): Readonly<Record<string, unknown>> | null {
  try {
    const value: unknown = JSON.parse(text ?? 'null');
    return keptSchema.isValidSync(value) ? value : null;
  } catch {
    return null;
  }
}
