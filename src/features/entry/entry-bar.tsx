'use client';

import { ChevronDown } from 'lucide-react';
import { memo, useState, type KeyboardEvent, type ReactNode } from 'react';
import { useScreen } from '@/features/shared/parts/use-screen';
import type { EntryView } from '@/core/views';
import { keyOfSignature, type Mode } from '@/core/pitch';
import type { ScreenCommand } from '@/contract/entry-questions';
import { useWords, type Words } from '@/features/shared/words/use-words';

interface EntryBarProps {
  readonly view: EntryView;
  readonly onPress: (command: ScreenCommand) => void;
}

/** The meters that can be chosen. */
const METERS = ['4/4', '3/4', '2/4', '2/2', '6/8', '3/8', '9/8', '12/8', '5/4'] as const;

/** The frame of the piece: title and composer; signature and meter from the caret's bar on; pick-up and tempo. */
export const EntryBar = memo(function EntryBar({ view, onPress }: EntryBarProps) {
  const w = useWords();
  const { inForce: frame } = view;
  const meter = `${frame.meter.beats}/${frame.meter.beatType}`;
  const barQuarters = (frame.meter.beats * 4) / frame.meter.beatType;
  const beat = 4 / frame.meter.beatType;
  const mode: Mode = frame.mode ?? 'major';
  const isPhone = useScreen() === 'phone';
  return (
    <Frame title={view.title || w.entry.newPiece} isFolded={isPhone}>
      <TextField
        label={w.shared.title}
        value={view.title}
        className="w-64 font-serif text-lg font-semibold"
        onDone={(text) => onPress({ kind: 'heading', what: 'title', text })}
      />
      <TextField
        label={w.entry.composer}
        value={view.composer}
        className="w-44"
        onDone={(text) => onPress({ kind: 'heading', what: 'composer', text })}
      />
      <Field label={w.entry.keyFromBar(view.caret.number)}>
        <select
          className="select select-sm h-9 w-36"
          data-role="signature"
          value={frame.fifths}
          onChange={(event) => onPress({ kind: 'signature', fifths: Number(event.target.value), mode })}
        >
          {Array.from({ length: 15 }, (_, i) => i - 7).map((fifths) => (
            <option key={fifths} value={fifths}>
              {signatureName(w, fifths, mode)}
            </option>
          ))}
        </select>
      </Field>
      <Field label={w.shared.mode}>
        <select
          className="select select-sm h-9 w-24"
          data-role="mode"
          value={mode}
          onChange={(event) => onPress({ kind: 'signature', fifths: frame.fifths, mode: event.target.value as Mode })}
        >
          {(mode === 'major' || mode === 'minor'
            ? (['major', 'minor'] as const)
            : (['major', 'minor', mode] as const)
          ).map((one) => (
            <option key={one} value={one}>
              {w.says.modeName(one)}
            </option>
          ))}
        </select>
      </Field>
      <Field label={w.entry.time}>
        <select
          className="select select-sm h-9 w-20"
          data-role="meter"
          value={meter}
          onChange={(event) => onPress({ kind: 'meter', meter: readMeter(event.target.value) })}
        >
          {[...new Set<string>([...METERS, meter])].map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </select>
      </Field>
      <Field label={w.entry.pickUp}>
        <select
          className="select select-sm h-9 w-24"
          data-role="pick-up"
          value={frame.pickupQuarters}
          onChange={(event) => onPress({ kind: 'pick-up', quarters: Number(event.target.value) })}
        >
          <option value={0}>{w.entry.none}</option>
          {[
            ...new Set([
              ...Array.from({ length: frame.meter.beats - 1 }, (_, i) => (i + 1) * beat),
              ...(frame.pickupQuarters > 0 ? [frame.pickupQuarters] : []),
            ]),
          ]
            .filter((quarters) => quarters < barQuarters)
            .map((quarters) => (
              <option key={quarters} value={quarters}>
                {quarters / beat} {quarters === beat ? w.entry.beat : w.entry.beats}
              </option>
            ))}
        </select>
      </Field>
      <TempoField onPress={onPress} />
    </Frame>
  );
});

interface FrameProps {
  readonly title: string;
  readonly isFolded: boolean;
  readonly children: ReactNode;
}

/** Around the fields: on a phone they are folded away under the title. */
function Frame({ title, isFolded, children }: FrameProps) {
  const w = useWords();
  const fields = (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1 px-4 pt-2" onKeyDown={backToNotes}>
      {children}
    </div>
  );
  if (!isFolded) return fields;
  return (
    <details data-role="about-piece">
      <summary className="flex min-h-11 cursor-pointer items-center gap-2 px-4 font-serif text-lg font-semibold">
        <span className="min-w-0 truncate">{title}</span>
        <span className="ml-auto flex shrink-0 items-center font-sans text-sm font-normal">
          {w.entry.titleKeyTime} <ChevronDown size={16} aria-hidden />
        </span>
      </summary>
      {fields}
    </details>
  );
}

/** From a choice, Escape and Enter go back to the notes. */
function backToNotes({ key, target }: KeyboardEvent): void {
  if (target instanceof HTMLSelectElement && (key === 'Escape' || key === 'Enter')) target.blur();
}

function signatureName(w: Words, fifths: number, mode: Mode): string {
  const key = keyOfSignature(fifths, mode);
  const signs = fifths === 0 ? '' : ` ${Math.abs(fifths)}${fifths > 0 ? '♯' : '♭'}`;
  return `${key.ok ? w.says.key(key.value) : ''}${signs}`;
}

function readMeter(text: string): { readonly beats: number; readonly beatType: number } {
  const [beats = 4, beatType = 4] = text.split('/').map(Number);
  return { beats, beatType };
}

function Field({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <label className="flex flex-col text-xs text-secondary">
      {label}
      {children}
    </label>
  );
}

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly className: string;
  readonly onDone: (text: string) => void;
}

/** A line of text that counts once the field is left, or with Enter; Escape leaves it as it was. */
function TextField({ label, value, className, onDone }: TextFieldProps) {
  const w = useWords();
  const [text, setText] = useState<string | null>(null);
  const done = (): void => {
    if (text !== null && text.trim() !== value) onDone(text.trim());
    setText(null);
  };
  return (
    <Field label={label}>
      <input
        className={`input input-sm h-9 text-base-content ${className}`}
        value={text ?? value}
        placeholder={w.entry.noYet(label.toLowerCase())}
        maxLength={200}
        onChange={(event) => setText(event.target.value)}
        onBlur={done}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') {
            setText(null);
            event.currentTarget.blur();
          }
        }}
      />
    </Field>
  );
}

function TempoField({ onPress }: Pick<EntryBarProps, 'onPress'>) {
  const w = useWords();
  const [text, setText] = useState('');
  const perMinute = Number(text);
  const isFit = perMinute >= 20 && perMinute <= 300;
  const done = (): void => {
    if (text !== '' && isFit) onPress({ kind: 'tempo', perMinute });
    if (isFit) setText('');
  };
  return (
    <Field label={w.entry.quartersMinute}>
      <input
        className="input input-sm h-9 w-24 text-base-content"
        inputMode="numeric"
        placeholder={w.entry.tempo}
        aria-invalid={text !== '' && !isFit}
        title={w.entry.tempoRange}
        value={text}
        onChange={(event) => setText(event.target.value.replace(/\D/g, ''))}
        onBlur={done}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
        }}
      />
    </Field>
  );
}
