import { ValidationError } from 'yup';
import { USUAL_LANGUAGE, type Language, type ServiceFault } from '@/core/explain';
import type { Fault, Result } from '@/core/base';
import type { Answer, Trouble } from '@/contract/answer';

/** A refusal of the core as the screens show it. */
export function troubleOf(says: Language, fault: Fault): Trouble {
  return { code: fault.code, ...says.faultWords(fault), line: 'at' in fault ? fault.at.line : null };
}

/** An outcome of the core as an answer. */
export function answer<T>(says: Language, result: Result<T, Fault>): Answer<T> {
  return result.ok ? result : { ok: false, trouble: troubleOf(says, result.error) };
}

/** What went wrong around the core, as the screens show it. */
export function serviceTrouble(says: Language, fault: ServiceFault): Trouble {
  return {
    code: fault.code,
    ...says.serviceFaultWords(fault),
    line: fault.code === 'entry.abc' ? fault.unclear.line : null,
  };
}

/** Something was asked that no service understands: its place in the question, and why. */
export function misunderstood(why: string): Trouble {
  return serviceTrouble(USUAL_LANGUAGE, { code: 'worker.question', why });
}

/** A service died over a question, also when it was asked again. Accidents are told before it is known who is spoken to. */
export const DIED: Trouble = serviceTrouble(USUAL_LANGUAGE, { code: 'worker.died' });

/** Whatever was thrown, as a refusal. */
export function thrownTrouble(error: unknown): Trouble {
  return error instanceof ValidationError
    ? misunderstood(error.message)
    : serviceTrouble(USUAL_LANGUAGE, { code: 'worker.broken' });
}
