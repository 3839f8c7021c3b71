import { beforeAll, describe, expect, it } from '@jest/globals';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { brokenText, readTypeface, runsOf, textWidth, type TextStyle, type Typeface } from './typeface';

const STYLE: TextStyle = { size: 11, weight: 'regular', spacing: 0 };

let typeface: Typeface;
beforeAll(async () => {
  typeface = await readTypeface((name) => readFile(join('public/print', name)));
});

describe('words on a sheet', () => {
  it('that cannot be seen are left out, and the others stand as they are', () => {
    const text = '\u202Ea\u200Bb\uFEFFc\u2028d\u0007';
    expect(runsOf(typeface, text, 'bold').map((run) => run.text)).toEqual(['abcd']);
  });

  it('that are wider than a line go on in the next, and none of their letters is lost', () => {
    const long = 'W'.repeat(90);
    const lines = brokenText(typeface, `Two ${long} boats`, STYLE, 200);
    expect(lines.join('').replaceAll(' ', '')).toBe(`Two${long}boats`);
    for (const line of lines) expect(textWidth(typeface, line, STYLE)).toBeLessThanOrEqual(200);
  });

  it('are broken between words where they can be', () => {
    expect(brokenText(typeface, 'Two boats on the water', STYLE, 60)).toEqual(['Two boats', 'on the water']);
  });
});
