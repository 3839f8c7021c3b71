import { describe, expect, it } from '@jest/globals';
import { addDrilled, isLongDrill } from './use-long-drill';

const MINUTE = 60_000;

describe('a pause', () => {
  it('is proposed after ten minutes of one drill, however they were divided', () => {
    const nine = addDrilled(addDrilled({}, 'left/2/3', 4 * MINUTE), 'left/2/3', 5 * MINUTE);
    expect(isLongDrill(nine, 'left/2/3')).toBe(false);
    expect(isLongDrill(addDrilled(nine, 'left/2/3', MINUTE), 'left/2/3')).toBe(true);
  });

  it('is not proposed for another drill', () => {
    const long = addDrilled({}, 'left/2/3', 11 * MINUTE);
    expect(isLongDrill(long, 'both/2/3')).toBe(false);
    expect(isLongDrill(addDrilled(long, 'both/2/3', MINUTE), 'both/2/3')).toBe(false);
  });
});
