'use client';

import type { HandoutPart } from '@/core/paper';
import type { SheetChoice } from '@/data';
import { Grip, SortableList, useSortableEntry } from '@/features/shared/parts/sortable-list';
import { useWords } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface PartsListProps {
  readonly sheet: SheetChoice;
  readonly onPut: (changed: Partial<SheetChoice>) => void;
}

/** What stands on a handout: ticked, and dragged into its place. */
export function PartsList({ sheet, onPut }: PartsListProps) {
  const w = useWords();
  const { order, left, tracks } = sheet;
  const tick = (part: HandoutPart, isOn: boolean): void =>
    onPut({ left: order.filter((one) => (one === part ? !isOn : left.includes(one))) });
  return (
    <fieldset className="text-sm" data-role="parts">
      <legend className="mb-1 font-semibold">{w.handout.onTheSheet}</legend>
      <SortableList
        id="handout-parts"
        names={order}
        wordsOf={(name) => w.handout.parts[name as HandoutPart]}
        onOrder={(names) => onPut({ order: names as HandoutPart[] })}
      >
        <ul className="flex flex-col">
          {order.map((part) => (
            <PartEntry key={part} part={part} isOn={!left.includes(part)} onTick={(isOn) => tick(part, isOn)} />
          ))}
        </ul>
      </SortableList>
      <label className="ml-8 flex min-h-9 items-center gap-2 pointer-coarse:ml-11 pointer-coarse:min-h-11">
        <Checkbox
          checked={tracks === 'shown'}
          onChange={(event) => onPut({ tracks: event.target.checked ? 'shown' : 'hidden' })}
        />
        {w.handout.tracks}
      </label>
    </fieldset>
  );
}

interface PartEntryProps {
  readonly part: HandoutPart;
  readonly isOn: boolean;
  readonly onTick: (isOn: boolean) => void;
}

function PartEntry({ part, isOn, onTick }: PartEntryProps) {
  const w = useWords();
  const { place, grip } = useSortableEntry(part);
  return (
    <li {...place} className="flex items-center bg-base-100" data-part={part}>
      <Grip grip={grip} label={w.handout.carry(w.handout.parts[part])} />
      <label className="flex min-h-9 flex-1 items-center gap-2 pointer-coarse:min-h-11">
        <Checkbox checked={isOn} onChange={(event) => onTick(event.target.checked)} />
        {w.handout.parts[part]}
      </label>
    </li>
  );
}
