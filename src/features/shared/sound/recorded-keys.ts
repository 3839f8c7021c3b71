/** The keys that were recorded: every third one. Source: the sample set named in docs/credits.md. Pitch classes count from C. */
const RECORDED = [
  { pitchClass: 0, letter: 'C', file: 'C' },
  { pitchClass: 3, letter: 'D#', file: 'Ds' },
  { pitchClass: 6, letter: 'F#', file: 'Fs' },
  { pitchClass: 9, letter: 'A', file: 'A' },
] as const;

/** The set goes from A0 to C8. MIDI numbers. */
const LOWEST = 21;
const HIGHEST = 108;

interface Recording {
  readonly midi: number;
  readonly name: string;
  readonly file: string;
}

const RECORDINGS: readonly Recording[] = [0, 1, 2, 3, 4, 5, 6, 7, 8]
  .flatMap((octave) =>
    RECORDED.map(({ pitchClass, letter, file }) => ({
      midi: 12 * (octave + 1) + pitchClass,
      name: `${letter}${octave}`,
      file: `${file}${octave}.mp3`,
    })),
  )
  .filter(({ midi }) => midi >= LOWEST && midi <= HIGHEST);

/** The files of the recordings by the names of their keys, such as D#4. */
export function sampleFiles(): Readonly<Record<string, string>> {
  return Object.fromEntries(RECORDINGS.map(({ name, file }) => [name, file]));
}

/** The recording from which a key is played, and how far above it the key lies (below: negative). Unit: semitones. */
export function nearestRecording(midi: number): { readonly name: string; readonly semitonesUp: number } {
  const distance = (recording: Recording): number => Math.abs(recording.midi - midi);
  const nearest = RECORDINGS.reduce((best, one) => (distance(one) < distance(best) ? one : best));
  return { name: nearest.name, semitonesUp: midi - nearest.midi };
}
