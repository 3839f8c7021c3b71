import { ValidationError } from 'yup';
import { faultWords, serviceFaultWords, type ServiceFault } from '@/core/explain';
import type { Fault, Result } from '@/core/base';
import type { Answer, Trouble } from './protocol';

/** A refusal of the core as the screens show it. */
export function troubleOf(fault: Fault): Trouble {
  return { code: fault.code, ...faultWords(fault), line: 'at' in fault ? fault.at.line : null };
}

/** An outcome of the core as an answer. */
export function answer<T>(result: Result<T, Fault>): Answer<T> {
  return result.ok ? result : { ok: false, trouble: troubleOf(result.error) };
}

/** What went wrong around the core, as the screens show it. */
export function serviceTrouble(fault: ServiceFault): Trouble {
  return {
    code: fault.code,
    ...serviceFaultWords(fault),
    line: fault.code === 'entry.abc' ? fault.unclear.line : null,
  };
}

/** Something was asked that no service understands: its place in the question, and why. */
export function misunderstood(why: string): Trouble {
  return serviceTrouble({ code: 'worker.question', why });
}

/** A service died over a question, also when it was asked again. */
export const DIED: Trouble = serviceTrouble({ code: 'worker.died' });

/** Whatever was thrown, as a refusal. */
export function thrownTrouble(error: unknown): Trouble {
  return error instanceof ValidationError ? misunderstood(error.message) : serviceTrouble({ code: 'worker.broken' });
}
