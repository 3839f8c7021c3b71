import type { Terms } from '../terms';

/** The microphone, and what is heard by it. */
export const ear = (t: Terms) => ({
  why: 'The microphone hears your piano and tells which notes came. Nothing that it hears leaves this device, and the sound is not kept unless you say so.',
  listen: 'Listen by microphone',
  asking: 'The browser asks whether this page may listen …',
  shut: 'Stop listening',
  tuneInFirst: 'First the piano: play these five notes, one after the other, not too softly.',
  tuneInAgain: 'Tune in again',
  playNow: (name: string, number: number, of: number) => `Play ${name} (${number} of ${of}).`,
  otherNote: 'That was another note.',
  tuned: (cents: number) =>
    Math.abs(cents) < 3
      ? 'Your piano is in tune.'
      : `Your piano is ${Math.abs(cents)} cents ${cents < 0 ? 'flat' : 'sharp'}: fine.`,
  farOut: (cents: number) =>
    `Your piano is about half a step ${cents < 0 ? 'flat' : 'sharp'}: some notes may be taken for those beside them. A tuner can help.`,
  tooMuchNoise: 'There is much noise: shut the window, or put the device nearer to the piano, and tune in again.',
  headphones: 'I wear headphones: let me hear the count and the other hand',
  headphonesTold: 'Without them the count is seen, and the other hand is silent: the microphone would hear them.',
  keepSound: 'Keep the sound for my teacher',
  notJudged: 'What this ear does not judge',
  notJudgedTold:
    'Which octave a note was in, inner notes of chords, how long or how loud notes are, the pedal, which hand played, and time finer than a twentieth of a second. A MIDI keyboard tells all of this.',
  listeningAgain: (perCent: number) => `Listening to it once more: ${perCent} %`,
  notReady: 'Press “Listen by microphone” first.',
  saidNothing: 'What was heard of this run was lost.',
  hadGaps: 'The sound came with gaps: this device was busy. Near them nothing counts as wrong.',
  lessBusy: 'Shut other windows and programs, and play it once more.',
  onceMore: 'Play it once more; if it happens again, play on the keys.',
  unclear: (count: number) =>
    count === 1
      ? 'One note was not heard clearly. It counts as played.'
      : `${count} notes were not heard clearly. They count as played.`,
  sound: 'The sound of this run',
  asWritten: 'It was played just as it is written: count what the ear made of it',
  ownTests: 'The ear on your own recordings',
  ownRuns: (runs: number, accused: number) =>
    `${runs === 1 ? 'One run' : `${runs} runs`} played as written: ${accused === 0 ? 'none was told of a fault' : `${accused} told of a fault`}.`,
  ownNotes: (notes: number, right: number, unclear: number) =>
    `${right} of ${notes} notes heard, ${unclear} not clearly.`,
  soundsKept: 'Sounds of runs',
  noRoomForSound: 'There is no room for the sound of this run. The run itself is kept.',
  alongTold: `One ${t.bar} is counted in, to be seen. The other hand is silent.`,
  watchCount: 'Watch the count.',
  beat: (beat: number) => `Beat ${beat}`,
});
