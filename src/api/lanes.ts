import type { Job, JobName } from './job';
import type { Desk } from './threads';

/** How much longer than a report a job takes, about. Measured once, with pieces of 8 to 320 bars; our own choice between the
 * figures. */
const WORK: Readonly<Record<JobName, number>> = {
  report: 1,
  transpose: 1,
  stages: 2,
  rote: 2,
  judge: 2,
  ladder: 6,
  handout: 8,
};

/** How much more music stands in a byte of a format than in one of MusicXML, about. */
const DENSITY: readonly (readonly [beginning: string, times: number])[] = [
  ['<', 1],
  ['\uFEFF<', 1],
  ['PK', 10],
  ['MThd', 8],
  ['{', 1],
];
const OF_WORDS = 12;

/** As much as a report of some 60 bars of two hands. Unit: bytes of MusicXML. */
const LONG = 100_000;

/** Whether a job takes long, as far as can be told before it is begun: by what is asked, how much was sent, and in which format. */
export function isLong({ name, body }: Pick<Job, 'name' | 'body'>): boolean {
  const beginning = new TextDecoder().decode(body.subarray(0, 64)).trimStart();
  const density = DENSITY.find(([letters]) => beginning.startsWith(letters))?.[1] ?? OF_WORDS;
  return WORK[name] * density * body.length > LONG;
}

/** Two lanes: what takes long has its own threads, so that what is done at once never waits behind it. */
export function createLanes(short: Desk, long: Desk): Desk {
  return { answer: (job, from) => (isLong(job) ? long : short).answer(job, from) };
}
