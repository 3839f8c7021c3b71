/** Pianos that no part of the ear was fitted to. */
export const PIANOS: readonly { readonly name: string; readonly font: string; readonly program: number }[];
