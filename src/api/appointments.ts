import type { Fault } from '@/core/base';

/** When those who cannot be let in are to come again. */
export interface Appointments {
  /** The refusal of a caller, with a time of its own: so many a second, and never sooner than the next. */
  readonly busy: () => Fault;
}

/** Hands out times to come again, so that those who were refused together do not all come back together. `now` gives ms. */
export function createAppointments(perSecond: number, now: () => number = Date.now): Appointments {
  let lastMs = 0;
  return {
    busy: () => {
      const nowMs = now();
      lastMs = Math.max(lastMs, nowMs) + 1000 / perSecond;
      return { code: 'job.busy', seconds: Math.ceil((lastMs - nowMs) / 1000) };
    },
  };
}
