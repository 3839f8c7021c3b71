import { useWords } from '@/features/shared/words/use-words';

/** Some bars as indexes; null for all. */
export type Bars = { readonly from: number; readonly to: number } | null;

interface BarsChoiceProps {
  /** All bars by their printed numbers. */
  readonly numbers: readonly string[];
  readonly bars: Bars;
  readonly onChoose: (bars: Bars) => void;
}

/** From which bar to which. */
export function BarsChoice({ numbers, bars, onChoose }: BarsChoiceProps) {
  const w = useWords();
  const last = numbers.length - 1;
  const { from, to } = bars ?? { from: 0, to: last };
  const choose = (start: number, end: number): void =>
    onChoose(start === 0 && end === last ? null : { from: start, to: Math.max(start, end) });
  return (
    <div className="flex gap-2">
      <BarChoice
        label={w.practice.barsFrom}
        role="bars-from"
        value={from}
        numbers={numbers}
        onChoose={(index) => choose(index, to)}
      />
      <BarChoice
        label={w.practice.barsTo}
        role="bars-to"
        value={to}
        numbers={numbers}
        onChoose={(index) => choose(from, index)}
      />
    </div>
  );
}

interface BarChoiceProps {
  readonly label: string;
  readonly role: string;
  readonly value: number;
  readonly numbers: readonly string[];
  readonly onChoose: (index: number) => void;
}

function BarChoice({ label, role, value, numbers, onChoose }: BarChoiceProps) {
  return (
    <label className="flex min-w-0 flex-1 flex-col gap-1">
      <span className="font-semibold">{label}</span>
      <select
        className="select select-sm h-9 w-full pointer-coarse:h-11"
        data-role={role}
        value={value}
        onChange={(event) => onChoose(Number(event.target.value))}
      >
        {numbers.map((number, index) => (
          <option key={index} value={index}>
            {number}
          </option>
        ))}
      </select>
    </label>
  );
}
