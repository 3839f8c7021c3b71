import { parseKey, type Mode } from '@/core/pitch';
import { useWords } from '@/features/shared/words/use-words';
import { turnTo } from './handout-address';
import { keysOfMode } from './use-sheets';

interface MoreKeysProps {
  readonly shown: string | null;
  readonly chosen: readonly string[];
  readonly mode: Mode;
}

/** Further keys that go into the same file. */
export function MoreKeys({ shown, chosen, mode }: MoreKeysProps) {
  const w = useWords();
  const others = keysOfMode(mode).filter((name) => name !== shown);
  const toggle = (name: string): void => {
    const next = chosen.includes(name) ? chosen.filter((one) => one !== name) : [...chosen, name];
    turnTo({ keys: others.filter((one) => next.includes(one)).join(',') || null });
  };
  return (
    <fieldset className="text-sm" data-role="more-keys">
      <legend className="mb-1 font-semibold">{w.handout.keys}</legend>
      <div className="flex flex-wrap gap-1">
        {others.map((name) => {
          const key = parseKey(name, 'major');
          return (
            <button
              key={name}
              type="button"
              aria-pressed={chosen.includes(name)}
              data-more-key={name}
              className={`btn btn-sm h-9 min-w-10 px-2 font-normal pointer-coarse:h-11 pointer-coarse:min-w-11 ${chosen.includes(name) ? 'btn-neutral' : ''}`}
              onClick={() => toggle(name)}
            >
              {key ? w.says.place(key.tonic) : name}
            </button>
          );
        })}
      </div>
      <p className="mt-1 text-xs text-secondary">{w.handout.keysHint}</p>
    </fieldset>
  );
}
