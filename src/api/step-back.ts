import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';

/** How far a thread that works on pieces stands back behind the one that speaks with callers. */
const NICE = 10;

/** Lets the other threads of the server go first. Only where the system names its threads (Linux); elsewhere all are alike. */
export function stepBack(): void {
  try {
    const thread = readlinkSync('/proc/thread-self').split('/').at(-1);
    setPriority(Number(thread), NICE);
  } catch {
    // Without it callers wait a little longer, no more.
  }
}
