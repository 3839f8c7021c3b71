'use client';

import type { Flag } from '@/core/flags';
import { OCTAVE_MM } from '@/core/keyboard';
import type { Key, Pitch } from '@/core/pitch';
import { useWords } from '@/features/shared/words/use-words';

/** What the preview speaks of: a piece in B♭, where the hand reaches an octave, and then lands with finger 5 on E♭. */
const KEY: Key = { tonic: { step: 6, alter: -1 }, mode: 'major' };
const E_FLAT: Pitch = { step: 2, alter: -1, octave: 4 };
const LOW_B_FLAT: Pitch = { step: 6, alter: -1, octave: 3 };
const HIGH_B_FLAT: Pitch = { ...LOW_B_FLAT, octave: 4 };
const FLAG: Flag = {
  evidence: {
    kind: 'stretch',
    fingers: [1, 5],
    keys: [LOW_B_FLAT, HIGH_B_FLAT],
    mm: Math.round(OCTAVE_MM),
    inLine: false,
  },
  severity: 'watch',
  hand: 'right',
  bar: '3',
  bars: ['3', '4'],
  beat: 1,
  notes: [],
  byBlackKey: true,
  wasThere: false,
  costs: null,
};
const LANDING: Flag = {
  ...FLAG,
  evidence: { kind: 'position-change', finger: 5, key: E_FLAT, because: 'black-keys' },
};

/** Sentences as they are said with what is chosen. */
export function WordingPreview() {
  const { says, naming, settings } = useWords();
  const inKey = says.inKey(KEY);
  const sentences = [
    naming.keyIs(says.key(KEY)),
    inKey.flagWords(FLAG).message,
    inKey.flagWords(LANDING).message,
    inKey.pupilWords(LANDING),
    naming.rhythmIs(says.lengthWords(1.5), says.lengthWords(0.5)),
    settings.reachOfHandIs(206),
    naming.typed,
  ];
  return (
    <aside
      aria-label={naming.preview}
      data-role="wording-preview"
      className="flex flex-col gap-1.5 rounded-box border border-base-300 bg-base-100 p-4 text-sm"
    >
      <h3 className="font-serif text-base font-semibold">{naming.preview}</h3>
      {sentences.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      <p>{naming.weekIs}</p>
      <ol className="grid grid-cols-7 gap-px overflow-hidden rounded border border-base-300 bg-base-300 text-center text-xs">
        {says.weekdays.map((day) => (
          <li key={day} className="bg-base-100 px-0.5 py-1" aria-label={day}>
            {[...day].slice(0, 2).join('')}
          </li>
        ))}
      </ol>
    </aside>
  );
}
