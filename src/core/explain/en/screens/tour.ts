import type { Terms } from '../terms';

export const tour = (t: Terms) => ({
  /** What is said at each stop, in the order of the stops. */
  stops: [
    {
      title: 'Before and after',
      words: `A piece as it stands, and under it the same ${t.bars} in the new key. The stripe under each staff is a hand track: where the hand sits, for how long, and where it moves.`,
    },
    {
      title: 'Fifteen keys, two hands each',
      words:
        'Every key is drawn as the two hands that play in it: a dark stroke is a finger on a black key. One press moves the piece there; so do [ and ], or a typed name.',
    },
    {
      title: 'What the hands must know',
      words:
        'Hand notes say where black keys force a move or another finger, and why. A press shows the place, plays it, and offers what can be done.',
    },
    {
      title: 'The keyboard and the piano',
      words:
        'Both hands at the selected moment; P plays. The edge above it is pulled for more or less keyboard. M puts the piece on the music stand.',
    },
    {
      title: 'Your own pieces',
      words:
        'Drop MusicXML, ABC or MIDI files, or whole folders, anywhere. From paper: New piece, put the hands down, and type finger numbers. Ctrl + K finds everything else by its words.',
    },
  ],
  stopOf: (stop: number, stops: number) => `Tour, stop ${stop} of ${stops}`,
  of: (stop: number, stops: number) => `${stop} of ${stops}`,
  leave: 'Leave the tour',
  back: 'Back',
  done: 'Done',
});
