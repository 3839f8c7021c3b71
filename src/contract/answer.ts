/** A refusal as the screens show it: words for teachers and, where known, the place in the file. */
export interface Trouble {
  readonly code: string;
  readonly message: string;
  readonly hint: string;
  readonly line: number | null;
}

export type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly trouble: Trouble };
