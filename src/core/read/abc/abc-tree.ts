/** The parts of abcjs's parse tree that we read (abcjs 6.7). Its own types describe the drawing made from it. */
export interface AbcPitch {
  /** Letters above middle C, whatever the clef. */
  readonly pitch: number;
  readonly name: string;
  readonly accidental?: string;
  readonly startTie?: object;
  readonly startSlur?: readonly object[];
  readonly endSlur?: readonly unknown[];
}

export interface AbcElement {
  readonly el_type: string;
  readonly startChar: number;
  readonly endChar: number;
  readonly type?: string;
  /** In whole notes, as printed: a triplet's is not shortened. */
  readonly duration?: number;
  readonly pitches?: readonly AbcPitch[];
  readonly rest?: { readonly type: string; readonly text?: number };
  readonly gracenotes?: readonly AbcPitch[];
  readonly startTriplet?: number;
  readonly tripletMultiplier?: number;
  readonly endTriplet?: boolean;
  readonly startSlur?: readonly object[];
  readonly endSlur?: readonly unknown[];
  readonly startBeam?: boolean;
  readonly endBeam?: boolean;
  readonly decoration?: readonly string[];
  readonly chord?: readonly { readonly name: string; readonly position: string }[];
  readonly lyric?: readonly { readonly syllable: string; readonly divider: string }[];
  readonly startEnding?: string;
  readonly endEnding?: boolean;
  readonly accidentals?: readonly AbcSign[];
  readonly root?: string;
  readonly acc?: string;
  readonly mode?: string;
  readonly value?: readonly AbcFraction[];
  readonly bpm?: number;
}

export interface AbcSign {
  readonly acc: string;
  readonly note: string;
}

export interface AbcFraction {
  readonly num: string;
  readonly den?: string;
}

export interface AbcKey {
  readonly accidentals?: readonly AbcSign[];
  readonly root?: string;
  readonly acc?: string;
  readonly mode?: string;
}

export interface AbcMeter {
  readonly type?: string;
  readonly value?: readonly AbcFraction[];
}

export interface AbcStaff {
  readonly clef?: { readonly type: string };
  readonly key?: AbcKey;
  readonly meter?: AbcMeter;
  readonly voices: readonly (readonly AbcElement[])[];
}

export interface AbcTune {
  readonly lines: readonly { readonly staff?: readonly AbcStaff[] }[];
  readonly metaText: {
    readonly title?: unknown;
    readonly composer?: unknown;
    readonly tempo?: { readonly duration?: readonly number[]; readonly bpm?: number };
  };
  readonly warnings?: readonly string[];
}
