// What the ears make of performances, counted: by one ear or both, with the page beside them.
import { performances } from './listening-set.mjs';
import { EAR_FILES } from './harvest.mjs';

const SAME_MS = 80;
const PIECE = 2048;

/** Listens to so many performances as the application does, and counts. `kinds` of ears: `live` alone, and both. */
export async function measureEars(count, bars) {
  const { creditHeard, HEARD_RATE, isPlain } = await import('../../src/core/hearing/index.ts');
  const { judgePlaying } = await import('../../src/core/practice/index.ts');
  const { compare } = await import('../../tests/support/found-slips.ts');
  const { createEarService } = await import('../../src/workers/ear/ear-service.ts');
  const service = createEarService(EAR_FILES);
  const sums = { live: nothingYet(), both: nothingYet() };
  const seconds = { sound: 0, live: 0, after: 0 };
  const groups = new Map();
  for await (const performance of performances(count, bars)) {
    const { strokes, times } = await listened(service, performance, HEARD_RATE);
    seconds.sound += performance.sound.length / HEARD_RATE;
    seconds.live += times.live;
    seconds.after += times.after;
    for (const ears of ['live', 'both']) {
      const one = counted(performance, strokes, ears, { creditHeard, isPlain, judgePlaying, compare });
      add(sums[ears], one);
      if (ears !== 'both') continue;
      for (const name of groupsOf(performance)) {
        if (!groups.has(name)) groups.set(name, nothingYet());
        add(groups.get(name), one);
      }
    }
  }
  const told = (sum) => figures(sum);
  return {
    live: told(sums.live),
    both: told(sums.both),
    groups: [...groups].map(([name, sum]) => ({ name, ...told(sum) })),
    realTime: { live: seconds.live / seconds.sound, after: seconds.after / seconds.sound },
  };
}

function groupsOf({ piano, cents, noiseDb, slips }) {
  const kinds =
    slips.length === 0 ? ['nothing planted'] : [...new Set(slips.map(({ weakness }) => `planted: ${weakness}`))];
  return [piano, `${cents} cents`, `noise at -${noiseDb} dB`, ...kinds];
}

async function listened(service, { sound, toldCents }, rate) {
  const begun = performance.now();
  await service.begin({ rate, cents: toldCents, loudness: null });
  for (let at = 0; at < sound.length; at += PIECE) await service.hear(sound.slice(at, at + PIECE));
  const heard = performance.now();
  const { value } = await service.end(() => undefined);
  if (value.ears !== 'both') throw new Error('the second ear did not listen');
  return { strokes: value.strokes, times: { live: (heard - begun) / 1000, after: (performance.now() - heard) / 1000 } };
}

function nothingYet() {
  return {
    right: 0,
    false: 0,
    missed: 0,
    plain: 0,
    plainMissed: 0,
    semitones: 0,
    named: 0,
    clean: 0,
    unaccused: 0,
    falseFaults: 0,
    planted: 0,
    found: 0,
    heardPlanted: 0,
    heardFound: 0,
    unclear: 0,
    offMs: [],
  };
}

function add(sum, one) {
  for (const [name, value] of Object.entries(one))
    sum[name] = Array.isArray(value) ? [...sum[name], ...value] : sum[name] + value;
}

function counted({ music, keys, slips }, strokes, ears, { creditHeard, isPlain, judgePlaying, compare }) {
  const credited = creditHeard(music, strokes, { ears, msPerQuarter: null, gaps: [] });
  const doubted = new Set(credited.unclear.map((note) => music.notes[note].midi));
  const open = [...keys];
  const offMs = [];
  let wrong = 0;
  for (const { midi, downMs } of credited.keys) {
    const near = open.filter((key) => key.midi === midi && Math.abs(key.downMs - downMs) <= SAME_MS);
    const own = near.sort((a, b) => Math.abs(a.downMs - downMs) - Math.abs(b.downMs - downMs))[0];
    if (!own) wrong += 1;
    else {
      offMs.push(Math.abs(own.downMs - downMs));
      open.splice(open.indexOf(own), 1);
    }
  }
  const how = { strictness: 'usual', bpm: null, countIn: null };
  const truth = judgePlaying(music, keys, how);
  const slipped = new Set(
    truth.faults.filter(({ kind }) => SEMITONES.includes(kind)).flatMap((fault) => (fault.written ? fault.keys : [])),
  );
  const isHeard = ({ midi, downMs }) =>
    credited.keys.some((key) => key.midi === midi && Math.abs(key.downMs - downMs) <= SAME_MS);
  const planted = [...slipped].map((key) => keys[key]);
  const noteOf = new Map(music.notes.map(({ id }, i) => [id, i]));
  const plain = keys.filter(
    (_, i) =>
      truth.keys[i].note !== null && truth.keys[i].fault === null && isPlain(music, noteOf.get(truth.keys[i].note)),
  );
  const judged = judgePlaying(music, credited.keys, { ...how, byEar: { unclear: credited.unclear } });
  const isClean = slips.length === 0;
  const { found, missed } = isClean ? { found: [], missed: [] } : compare(slips, judged);
  // Where a note may be an overtone, or lies inside a chord, this ear does not judge whether it came.
  const isForEars = ({ weakness, notes }) =>
    weakness !== 'drops-note' || notes.every((id) => isPlain(music, noteOf.get(id)));
  return {
    right: offMs.length,
    false: wrong,
    missed: open.length,
    plain: plain.length,
    plainMissed: plain.filter((key) => !isHeard(key) && !doubted.has(key.midi)).length,
    semitones: planted.length,
    named: planted.filter(isHeard).length,
    clean: isClean ? 1 : 0,
    unaccused: isClean && judged.faults.length === 0 ? 1 : 0,
    falseFaults: isClean ? judged.faults.length : 0,
    planted: found.length + missed.length,
    found: found.length,
    heardPlanted: [...found, ...missed].filter(isForEars).length,
    heardFound: found.filter(isForEars).length,
    unclear: credited.unclear.length,
    offMs,
  };
}

/** What is a half step or a key beside, as the judge calls it. */
const SEMITONES = ['forgot-signature', 'forgot-accidental', 'neighbour-key'];

function figures({ offMs, ...sum }) {
  const played = sum.right + sum.missed;
  const inOrder = offMs.toSorted((a, b) => a - b);
  return {
    ...sum,
    played,
    f1: (200 * sum.right) / (2 * sum.right + sum.false + sum.missed),
    falsePer100: (100 * sum.false) / played,
    plainMissedPerCent: (100 * sum.plainMissed) / Math.max(1, sum.plain),
    onset95Ms: inOrder[Math.floor(inOrder.length * 0.95)] ?? 0,
  };
}
