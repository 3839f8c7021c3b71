import { releaseProxy } from 'comlink';
import { CALLED_BACK, type Checks } from '@/contract/checks';
import { thrownTrouble } from './trouble';
import type { Answer } from '@/contract/answer';

/** A service as it is asked from outside: every answer comes later. */
export type Asked<S> = {
  readonly [Name in keyof S]: S[Name] extends (...question: infer Question) => infer Given
    ? (...question: Question) => Promise<Awaited<Given>>
    : never;
};

type Methods<S> = { readonly [Name in keyof S]: (...question: never[]) => Answer<unknown> | Promise<Answer<unknown>> };

/** Makes a service answer whatever happens inside it: what is asked is checked before, and what is thrown becomes a refusal, so that no question is left
 * open. Whoever wanted to be told of the work on the way is let go once it is done. */
export function guarded<S extends Methods<S>>(service: S, checks: Checks<S>): Asked<S> {
  const methods = Object.entries(service) as [
    string,
    (...question: unknown[]) => Answer<unknown> | Promise<Answer<unknown>>,
  ][];
  return Object.fromEntries(
    methods.map(([name, method]) => {
      const values = checks[name as keyof S] as readonly Check[];
      return [name, (...question: unknown[]) => answered(method, values, question)];
    }),
  ) as unknown as Asked<S>;
}

async function answered(
  method: (...question: unknown[]) => Answer<unknown> | Promise<Answer<unknown>>,
  values: readonly Check[],
  question: readonly unknown[],
): Promise<Answer<unknown>> {
  try {
    return await method(...values.map((check, i) => checked(check, question[i])));
  } catch (error) {
    return { ok: false, trouble: thrownTrouble(error) };
  } finally {
    question.forEach(letGo);
  }
}

type Check = Checks<{ readonly ask: (value: unknown) => void }>['ask'][0] | typeof CALLED_BACK;

function checked(check: Check, value: unknown): unknown {
  return check === CALLED_BACK ? value : check.validateSync(value, { strict: true });
}

/** A function that came through the door holds a channel open until it is let go. */
function letGo(told: unknown): void {
  if (typeof told !== 'function') return;
  const release = (told as { readonly [releaseProxy]?: unknown })[releaseProxy];
  if (typeof release === 'function') (release as () => void).call(told);
}
