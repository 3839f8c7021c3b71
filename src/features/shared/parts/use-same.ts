'use client';

import equal from 'fast-deep-equal';
import { useState } from 'react';

/** The value as it was given first, for as long as what is given says the same: what depends on it is not worked out again for another object. */
export function useSame<T>(value: T): T {
  const [kept, keep] = useState(value);
  if (kept === value || equal(kept, value)) return kept;
  keep(value);
  return value;
}
