export interface RenderedKey {
  readonly midi: number;
  readonly downMs: number;
  readonly upMs: number;
  readonly velocity: number;
}

/** The keys on a sound font, as one channel at 44,100 samples a second. */
export function onSoundFont(
  keys: readonly RenderedKey[],
  piano: { readonly font: string; readonly program: number },
): Float32Array;
