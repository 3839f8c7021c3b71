import type { PageOptions } from '@/core/views';

/** A page of before and after without anything but the music. */
export const PLAIN_PAGE: PageOptions = {
  view: 'both',
  columns: 30,
  prefixes: { before: 'a-', after: 'b-' },
  labels: [],
  marks: [],
  tracks: 'hidden',
};
