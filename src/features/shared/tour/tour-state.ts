/** The stops of the tour: where each is, what is pointed at, and what is said. */
export interface Stop {
  readonly path: string;
  /** What it is about, as a selector. */
  readonly at: string;
  readonly title: string;
  readonly words: string;
}

/** The demo piece that is shown. */
export const TOUR_PIECE = 'market-chords';

const PIECE = `/bench?piece=${TOUR_PIECE}&key=Eb-major&pupil=any`;

export const STOPS: readonly Stop[] = [
  {
    path: PIECE,
    at: '[data-role=paper]',
    title: 'Before and after',
    words:
      'A piece as it stands, and under it the same bars in the new key. The bar under each staff is a hand track: where the hand sits, for how long, and where it moves.',
  },
  {
    path: PIECE,
    at: '[data-role=key-strip]',
    title: 'Fifteen keys, two hands each',
    words:
      'Every key is drawn as the two hands that play in it: a dark stroke is a finger on a black key. One press moves the piece there; so do [ and ], or a typed name.',
  },
  {
    path: PIECE,
    at: '[data-role=beside]',
    title: 'What the hands must know',
    words:
      'Hand notes say where black keys force a move or another finger, and why. A press shows the place, plays it, and offers what can be done.',
  },
  {
    path: PIECE,
    at: '[data-role=foot]',
    title: 'The keyboard and the piano',
    words:
      'Both hands at the selected moment; P plays. The edge above it is pulled for more or less keyboard. M puts the piece on the music stand.',
  },
  {
    path: '/',
    at: '[data-role=new-piece]',
    title: 'Your own pieces',
    words:
      'Drop MusicXML, ABC or MIDI files, or whole folders, anywhere. From paper: New piece, put the hands down, and type finger numbers. Ctrl + K finds everything else by its words.',
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
