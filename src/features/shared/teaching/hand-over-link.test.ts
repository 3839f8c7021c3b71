import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { handedIn, linkOf, LONGEST_LINK, qrOf } from './hand-over-link';

const ORIGIN = 'http://localhost:3000';

describe('a hand-over as a link', () => {
  it('is read as it was written, whatever is in it', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 300 }), (text) => {
        const link = linkOf(text, ORIGIN) as string;
        expect(handedIn(new URL(link).hash)).toBe(text);
      }),
    );
  });

  it('is none where it would be too long, and holds nothing where it is damaged', () => {
    // Letters in no order: nothing that could be said shorter.
    let seed = 7;
    const noise = Array.from({ length: LONGEST_LINK }, () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return String.fromCharCode(33 + ((seed >> 8) % 90));
    }).join('');
    expect(linkOf(noise, ORIGIN)).toBeNull();
    expect(handedIn('#other')).toBeNull();
    expect(handedIn('#handed=')).toBeNull();
  });

  it('that nobody of ours wrote is read or not, at once, and never grows without an end', () => {
    const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+-$';
    const text = fc.string({ unit: fc.constantFrom(...letters, '%', '<', ' ', '\u202E'), maxLength: LONGEST_LINK });
    fc.assert(
      fc.property(text, (rest) => (handedIn(`#handed=${rest}`)?.length ?? 0) < 20_000_000),
      { numRuns: 40 },
    );
    // What says much in few letters.
    const large = linkOf(' '.repeat(1_000_000), ORIGIN) as string;
    expect(handedIn(new URL(large).hash)).toHaveLength(1_000_000);
    expect(handedIn(`#handed=${'Q'.repeat(LONGEST_LINK + 1)}`)).toBeNull();
  });

  it('is a QR code where it is short enough: three corners for the camera, and its size by the standard', () => {
    const { size, path } = qrOf(linkOf('{"newThumb": "hand-over"}', ORIGIN) as string) ?? { size: 0, path: '' };
    // A code of version n has 17 + 4n squares a side.
    expect((size - 17) % 4).toBe(0);
    for (const corner of ['M0 0h', `M${size - 1} 0h`, `M0 ${size - 1}h`]) expect(path).toContain(corner);
    expect(qrOf(`http://localhost/#${'x'.repeat(3000)}`)).toBeNull();
  });
});
