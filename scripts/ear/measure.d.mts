/** What an ear, or two, made of performances. */
export interface EarFigures {
  readonly played: number;
  readonly f1: number;
  readonly falsePer100: number;
  readonly plain: number;
  readonly plainMissedPerCent: number;
  readonly semitones: number;
  readonly named: number;
  readonly clean: number;
  readonly unaccused: number;
  readonly falseFaults: number;
  readonly planted: number;
  readonly found: number;
  readonly unclear: number;
  readonly onset95Ms: number;
}

export function measureEars(
  count: number,
  bars: number,
): Promise<{
  readonly live: EarFigures;
  readonly both: EarFigures;
  readonly groups: readonly (EarFigures & { readonly name: string })[];
  readonly realTime: { readonly live: number; readonly after: number };
}>;
