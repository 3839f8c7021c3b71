interface ChoiceRowProps<T extends string> {
  readonly label: string;
  readonly values: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  readonly chosen: T;
  readonly onChoose: (value: T) => void;
}

/** A choice of one of some values, with its name in front. */
export function ChoiceRow<T extends string>({ label, values, words, chosen, onChoose }: ChoiceRowProps<T>) {
  return (
    <label className="grid grid-cols-[6rem_minmax(0,1fr)] items-center gap-2 text-sm">
      {label}
      <select
        className="select select-sm h-9 w-full pointer-coarse:h-11"
        value={chosen}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {values.map((value) => (
          <option key={value} value={value}>
            {words[value]}
          </option>
        ))}
      </select>
    </label>
  );
}
