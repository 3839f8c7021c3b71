import { describe, expect, it } from '@jest/globals';
import { sheetFileName } from './sheet-file-name';

const LANTERN = { title: 'Lantern Walk', kind: 'handout', stage: null, ending: 'pdf' } as const;

describe('the name of a file of sheets', () => {
  it.each([
    [{ ...LANTERN, key: 'D-major' }, 'lantern-walk-handout-in-D.pdf'],
    [{ ...LANTERN, key: 'F#-minor', kind: 'rote' as const }, 'lantern-walk-rote-in-Fsharp-minor.pdf'],
    [{ ...LANTERN, key: 'Bb-major', stage: 'left-alone' }, 'lantern-walk-left-alone-handout-in-Bb.pdf'],
    [{ ...LANTERN, key: 'several', ending: 'zip' }, 'lantern-walk-handout-in-several-keys.zip'],
    [{ ...LANTERN, key: null }, 'lantern-walk-handout.pdf'],
    [{ ...LANTERN, title: 'Größe!', key: 'C-major' }, 'grosse-handout-in-C.pdf'],
  ])('%o', (file, name) => {
    expect(sheetFileName(file)).toBe(name);
  });
});
