import { mixed } from 'yup';

/** One of these words or numbers. */
export function oneOf<const T extends string | number>(values: readonly T[]) {
  return mixed<T>()
    .oneOf([...values])
    .required();
}

/** One of these numbers, written out as a word. */
export function oneOfWritten<const T extends number>(values: readonly T[]) {
  return oneOf(values.map((value) => `${value}` as const));
}
