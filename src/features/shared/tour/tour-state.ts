/** The stops of the tour: where each is, and what is pointed at. What is said there stands among the words. */
export interface Stop {
  readonly path: string;
  /** What it is about, as a selector. */
  readonly at: string;
}

/** The demo piece that is shown. */
export const TOUR_PIECE = 'market-chords';

const PIECE = `/bench?piece=${TOUR_PIECE}&key=Eb-major&pupil=any`;

export const STOPS: readonly Stop[] = [
  {
    path: PIECE,
    at: '[data-role=paper]',
  },
  {
    path: PIECE,
    at: '[data-role=key-strip]',
  },
  {
    path: PIECE,
    at: '[data-role=beside]',
  },
  {
    path: PIECE,
    at: '[data-role=foot]',
  },
  {
    path: '/',
    at: '[data-role=new-piece]',
  },
];

type Listener = () => void;

let stop: number | null = null;
const listeners = new Set<Listener>();

/** Which stop the tour is at; null while there is none. It begins only when it is asked for. */
export function tourStop(): number | null {
  return stop;
}

export function onTour(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Goes to a stop, or leaves the tour. */
export function goToStop(next: number | null): void {
  stop = next !== null && STOPS[next] ? next : null;
  for (const listener of listeners) listener();
}

/** Begins the tour; gives the address of its first stop. */
export function startTour(): string {
  goToStop(0);
  return STOPS[0]?.path ?? '/';
}
