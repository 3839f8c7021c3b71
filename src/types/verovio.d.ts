/** What New Thumb uses of Verovio, which ships no types of its own. */
declare module 'verovio/wasm' {
  export interface VerovioModule {
    readonly __verovio: true;
  }
  export default function createVerovioModule(): Promise<VerovioModule>;
}

declare module 'verovio/esm' {
  import type { VerovioModule } from 'verovio/wasm';

  export const LOG_ERROR: number;
  export function enableLog(level: number, module: VerovioModule): void;

  export class VerovioToolkit {
    constructor(module: VerovioModule);
    setOptions(options: Readonly<Record<string, unknown>>): void;
    /** 0 where the file could not be read. */
    loadData(data: string): number;
    getPageCount(): number;
    renderToSVG(page: number): string;
    renderToMIDI(): string;
    getMEI(options: Readonly<Record<string, unknown>>): string;
    getVersion(): string;
    destroy(): void;
  }
}
