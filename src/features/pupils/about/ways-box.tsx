'use client';

import { change, NAMES_USED, type PupilChange, type PupilRecord } from '@/data';
import { useWords } from '@/features/shared/words/use-words';

/** Level, schools that differ from the studio’s, and how notes are called with this pupil. Each is kept as soon as it is chosen. */
export function WaysBox({ pupil }: { readonly pupil: PupilRecord }) {
  const w = useWords();
  const put = (said: PupilChange): void =>
    void change({ kind: 'pupil.change', id: pupil.id, change: said }, w.pupils.changed(pupil.name));
  return (
    <section aria-labelledby="the-ways" className="flex flex-col gap-2">
      <h2 id="the-ways" className="border-b border-base-300 pb-1 text-xl font-semibold">
        {w.pupils.theWays}
      </h2>
      <Choice
        role="level"
        label={w.pupils.level}
        value={pupil.level}
        choices={[
          ['1', w.pupils.level1],
          ['2', w.pupils.level2],
          ['3', w.pupils.level3],
          ['4', w.pupils.level4],
        ]}
        onChoose={(level) => put({ level })}
      />
      <Choice
        role="outer"
        label={w.pupils.thumbOr5OnBlack}
        value={pupil.outer ?? ''}
        choices={[
          ['', w.pupils.asStudio],
          ['allow', w.pupils.allowAndMention],
          ['avoid', w.pupils.avoidLeaveSuchKeysOut],
        ]}
        onChoose={(outer) => put({ outer: outer || null })}
      />
      <Choice
        role="inner"
        label={w.pupils.beside5InOctaves}
        value={pupil.inner ?? ''}
        choices={[
          ['', w.pupils.asStudio],
          ['interval', w.pupils.fourUpToThird],
          ['black', w.pupils.threeOnBlack],
        ]}
        onChoose={(inner) => put({ inner: inner || null })}
      />
      <Choice
        role="repeat"
        label={w.shared.repeatedKeys}
        value={pupil.repeat ?? ''}
        choices={[
          ['', w.pupils.asStudio],
          ['keep', w.pupils.sameFinger],
          ['change', w.pupils.anotherFingerEachTime],
        ]}
        onChoose={(repeat) => put({ repeat: repeat || null })}
      />
      <Choice
        role="names"
        label={w.pupils.namesUsed}
        value={pupil.names ?? ''}
        choices={[['', w.pupils.asStudio], ...NAMES_USED.map((name) => [name, w.pupils.namesUsedWords[name]] as const)]}
        onChoose={(names) => put({ names: names || null })}
      />
    </section>
  );
}

interface ChoiceProps<T extends string> {
  readonly role: string;
  readonly label: string;
  readonly value: T;
  readonly choices: readonly (readonly [T, string])[];
  readonly onChoose: (value: T) => void;
}

function Choice<T extends string>({ role, label, value, choices, onChoose }: ChoiceProps<T>) {
  return (
    <label className="flex flex-wrap items-center gap-1.5">
      <span className="w-44 text-sm">{label}</span>
      <select
        className="select select-sm h-9 w-80 max-w-full pointer-coarse:h-11"
        data-role={role}
        value={value}
        onChange={(event) => {
          const chosen = choices.find(([name]) => name === event.target.value);
          if (chosen) onChoose(chosen[0]);
        }}
      >
        {choices.map(([name, words]) => (
          <option key={name} value={name}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
