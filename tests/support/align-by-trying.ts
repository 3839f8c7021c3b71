import type { AskedMusic, AskedNote, AskedMoment, StruckKey } from '@/core/asked';
import { apartCost, beginCost, keyCost, lateCost, missingCost, pulseCost } from '@/core/practice/prices';
import { BEGIN_LATE, EXTRA } from '@/core/practice/alignment-costs.table';

/** What the cheapest alignment costs, found by trying for every key everything that it can be, from every place at which the player may stand. It shares the prices with
 * the program and nothing else: nothing is dropped on the way, and one may begin anew from any way, not the best alone. */
export function cheapestByTrying(music: AskedMusic, keys: readonly StruckKey[], msPerQuarter: number | null): number {
  const { moments, notes } = music;
  const noteOf = (i: number): AskedNote => notes[i] as AskedNote;
  const priceOf = (moment: AskedMoment): number =>
    moment.notes.reduce((sum, note) => sum + missingCost(noteOf(note)), 0);
  const known = new Map<string, number>();

  const from = (key: number, moment: number, taken: readonly number[], anchor: number, begun: boolean): number => {
    if (key === keys.length) return 0;
    const place = `${key}/${moment}/${taken.join()}/${anchor}/${begun}`;
    const answer = known.get(place);
    if (answer !== undefined) return answer;
    const { midi, downMs } = keys[key] as StruckKey;
    const prices = [EXTRA + from(key + 1, moment, taken, anchor, begun)];
    const open = (at: number, price: number, begins: boolean, priceOfRight = price): void =>
      (moments[at] as AskedMoment).notes.forEach((note) => {
        const off = keyCost(noteOf(note), midi, null);
        prices.push((off === 0 ? priceOfRight : price + off) + from(key + 1, at, [note], key, begins));
      });
    let before = 0;
    moments.forEach((target, at) => {
      open(at, moment < 0 ? Math.min(BEGIN_LATE, before) : beginCost(target), moment >= 0 || at > 0);
      before += priceOf(target);
    });
    if (moment >= 0) {
      const here = moments[moment] as AskedMoment;
      const ms = downMs - (keys[anchor] as StruckKey).downMs;
      const left = here.notes.filter((note) => !taken.includes(note));
      const apart = msPerQuarter === null ? 0 : apartCost(ms);
      for (const note of left)
        prices.push(
          apart +
            keyCost(noteOf(note), midi, null) +
            from(
              key + 1,
              moment,
              [...taken, note].sort((a, b) => a - b),
              key,
              begun,
            ),
        );
      const slip = anchor === key - 2 ? (keys[key - 1] as StruckKey).midi : null;
      let missing = begun ? 0 : left.reduce((sum, note) => sum + missingCost(noteOf(note)), 0);
      for (let at = moment + 1; at < moments.length; at += 1) {
        const quarters = (moments[at] as AskedMoment).at - here.at;
        const time = msPerQuarter === null ? 0 : pulseCost(ms, quarters * msPerQuarter);
        const late = at === moment + 1 && missing === 0 ? Math.min(time, lateCost(midi, slip)) : time;
        open(at, missing + time, false, missing + late);
        missing += priceOf(moments[at] as AskedMoment);
      }
    }
    const least = Math.min(...prices);
    known.set(place, least);
    return least;
  };
  return from(0, -1, [], -1, false);
}
