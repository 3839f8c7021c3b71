/** Something that can be heard. Times are those of its own clock, in seconds. */
export interface Sounder {
  /** Resolves once it can be heard. */
  readonly ready: () => Promise<void>;
  readonly now: () => number;
  readonly strike: (midi: number, atS: number, lengthS: number, loudness: number) => void;
  readonly click: (atS: number, isFirst: boolean) => void;
  /** Lets everything fall silent at once. */
  readonly quiet: () => void;
}
