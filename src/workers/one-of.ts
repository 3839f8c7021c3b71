import { mixed } from 'yup';

/** One of these words. */
export function oneOf<T extends string>(values: readonly T[]) {
  return mixed<T>()
    .oneOf([...values])
    .required();
}
