import { seeded } from '../lib/seeded.mjs';
import { practiceRoom } from './practice.mjs';
import { FIRST_WEEK, HOLIDAYS, WEEKS, YEAR } from './pupils.mjs';

/** A piece that goes on for so many weeks and is not secure is put aside for the next one. */
const PATIENCE_WEEKS = 6;
/** The week of the last measure. */
const MEASURED = 30;
/** A run takes so long beside the music: to sit down, to look, to begin. Unit: ms. */
const BESIDE_MS = 12_000;

/** Lives through a year of lessons and practice, week by week, with the commands of the application and nothing else. Gives the studio's database and every
 * proposal of a next key, with what was known then. */
export async function liveYear(database) {
  const room = await practiceRoom();
  const teaching = await import('../../src/core/teaching/index.ts');
  const calendar = await import('../../src/core/calendar/index.ts');
  const { runCommand } = await import('../../src/data/door/door.ts');
  const { USUAL_PUPIL } = await import('../../src/data/records/pupil-record.ts');
  const reading = await import('../../src/data/reading.ts');
  const { factOf } = await import('../../src/data/records/digest.ts');
  const { USUAL_PLAYER, USUAL_LANGUAGE } = room.core;
  const does = async (command, day) => {
    const done = await runCommand(database, command, { tab: 'year', label: command.kind, atMs: atOf(day, '12:00') });
    if (!done.ok) throw new Error(JSON.stringify(done.error));
  };
  const atOf = (day, time) => new Date(`${day}T${time}:00`).getTime();
  const weeks = calendar.taughtWeeks(FIRST_WEEK, WEEKS, [], { first: 'monday', holidays: HOLIDAYS });
  const proposals = [];
  const fits = new Map();

  const year = { ...{ room, teaching, calendar, does, atOf, factOf, weeks, proposals, fits }, count: 0, runs: 0 };
  for (const [i, one] of YEAR.entries()) {
    const pupil = { ...structuredClone(USUAL_PUPIL), ...one.record, groups: [one.group], addedAt: i };
    const lessons = [{ weekday: one.weekday, at: one.at, minutes: 45 }];
    await does({ kind: 'pupil.add', pupil: { ...pupil, lessons } }, weeks[0]);
    const player = { ...USUAL_PLAYER, level: Number(pupil.level), spanMm: pupil.spanMm, outer: pupil.outer ?? 'allow' };
    await liveOne(year, { ...one, pupil, player, random: seeded(1000 + i), skill: new Map() });
  }
  return { proposals, says: USUAL_LANGUAGE, reading, weeks };
}

async function liveOne(year, one) {
  const { calendar, does, weeks } = year;
  const state = { cards: [], at: 0, key: null, since: 0, facts: [], known: new Map() };
  for (const [number, week] of weeks.entries()) {
    if (number >= (one.leaves ?? WEEKS)) break;
    const day = calendar.daysOf(week, 'monday')[(one.weekday + 6) % 7];
    if (number % 10 === 0)
      await does(
        {
          kind: 'pupil.measure',
          id: one.pupil.id,
          day,
          mm: one.pupil.spanMm - Math.round((one.grows * (MEASURED - number)) / MEASURED),
        },
        day,
      );
    const cards = await lesson(year, one, state, { number, week, day });
    await practise(year, one, state, { week, day, cards });
  }
}

/** What the teacher does in the lesson: looks at what was set, calls it done or carries it over, notes something, and sets the next week. */
async function lesson(year, one, state, { number, week, day }) {
  const { does, atOf } = year;
  const open = state.cards;
  const done = open.filter(({ isDone }) => isDone(state.facts));
  const left = open.filter((card) => !done.includes(card));
  if (done.length > 0)
    await does({ kind: 'plan.change', ids: done.map(({ id }) => id), change: { state: 'done' } }, day);
  const said =
    done.length > 0 ? `${done.map(({ words }) => words).join(' and ')}: done.` : 'Not yet. Once more, slowly.';
  await does(
    {
      kind: 'lesson.note',
      pupil: one.pupil.id,
      day,
      note: number === 0 ? 'First lesson. Hands on the keys, thumbs together.' : said,
    },
    day,
  );
  const next = decide(year, one, state, { number, day });
  const carried = left.filter(({ piece, key }) => piece === next.piece && key === next.key);
  const dropped = left.filter((card) => !carried.includes(card));
  if (carried.length > 0) await does({ kind: 'plan.carry', cards: carried.map(({ id }) => ({ id, to: week })) }, day);
  if (dropped.length > 0) await does({ kind: 'plan.remove', ids: dropped.map(({ id }) => id) }, day);
  const fresh = next.cards.filter(({ words }) => !carried.some((card) => card.words === words));
  if (fresh.length > 0)
    await does(
      {
        kind: 'plan.cards',
        cards: fresh.map(({ id, piece, key, note }) => ({
          id,
          origin: 'demo',
          pupil: one.pupil.id,
          piece,
          key,
          note,
          week,
        })),
        atMs: atOf(day, one.at),
      },
      day,
    );
  state.cards = [...carried, ...fresh];
  return state.cards;
}

/** Which piece and key is next: a new key once the piece is secure where it is; then another piece. */
function decide(year, one, state, { number, day }) {
  const piece = one.pieces[state.at];
  const own = year.room.core.keyText(year.room.pieceOf(piece).key.key);
  state.key ??= own;
  const recorded = year.teaching.recordedKeys(state.facts);
  const isSecure = recorded.get(state.key)?.pieces.some((secure) => secure.piece === piece) ?? false;
  const waited = number - state.since;
  if (!isSecure && waited < PATIENCE_WEEKS) return cardsOf(year, one, state, piece);
  const keysOfPiece = [...state.known.keys()].filter((name) => name.startsWith(`${piece}/`)).length;
  // Three keys of a piece are enough for a first time; what does not come is put aside.
  const proposal = isSecure && keysOfPiece < 3 ? propose(year, one, state, { day, recorded }) : null;
  if (proposal) state.key = proposal.key;
  else {
    // After the last piece the first one comes again, in keys that are new.
    state.at = (state.at + 1) % one.pieces.length;
    if (state.at === 0) state.known.clear();
    state.key = year.room.core.keyText(year.room.pieceOf(one.pieces[state.at]).key.key);
  }
  state.since = number;
  return cardsOf(year, one, state, one.pieces[state.at]);
}

/** Asks for the next key as the application does, and writes down what it says. */
function propose(year, one, state, { day, recorded }) {
  const { core } = year.room;
  const { teaching } = year;
  const played = [...new Set(state.facts.filter(({ music }) => music === 'piece').map(({ piece }) => piece))];
  const ladders = played.map((piece) => {
    const name = JSON.stringify([piece, one.player]);
    if (!year.fits.has(name)) year.fits.set(name, core.fitPiece(year.room.pieceOf(piece), piece, one.player));
    return year.fits.get(name);
  });
  const judged = teaching.judgedKeys(one.pupil.keysKnown, []);
  const standings = [...core.fifteenKeys('major'), ...core.fifteenKeys('minor')]
    .map(core.keyText)
    .map((key) =>
      teaching.keyStanding(key, judged.find((said) => said.key === key) ?? null, recorded.get(key) ?? null),
    );
  const keys = teaching.nextKeys({
    standings,
    ladders,
    order: 'ease',
    own: { major: [], minor: [] },
    outer: one.player.outer,
  });
  const mode = core.parseKey(state.key, 'major').mode;
  const first = keys.find(({ key, leftOut }) => leftOut === null && core.parseKey(key, 'major').mode === mode) ?? null;
  // The same answer to the same question is told once.
  const asked = JSON.stringify([one.pupil.id, first?.key ?? null, standings.map(({ state: now }) => now)]);
  if (year.asked === asked) return first;
  year.asked = asked;
  year.proposals.push({
    pupil: one.pupil,
    day,
    secure: standings.filter((standing) => standing.state === 'secure').map(({ key }) => key),
    first,
    others: keys.filter((key) => key !== first).slice(0, 3),
  });
  return first;
}

function cardsOf(year, one, state, piece) {
  const { core } = year.room;
  const { key } = state;
  const title = year.room.pieceOf(piece).score.title;
  const isOwn = core.keyText(year.room.pieceOf(piece).key.key) === key;
  const isNewKey = !isOwn && !year.teaching.recordedKeys(state.facts).get(key)?.patternSinceMs;
  state.known.set(`${piece}/${key}`, true);
  const whole = {
    ...{ piece, key, note: isOwn ? 'Slowly, and on to the end.' : 'Say where the black keys are before you begin.' },
    words: `${title}, ${core.USUAL_LANGUAGE.key(core.parseKey(key, 'major'))}`,
    isDone: (facts) =>
      year.teaching
        .recordedKeys(facts)
        .get(key)
        ?.pieces.some((secure) => secure.piece === piece) ?? false,
  };
  const name = (kind) => `demo-${one.pupil.id.slice(5)}-${(year.count += 1)}-${kind}`;
  return { piece, key, cards: [{ ...whole, id: name('whole'), isNewKey }] };
}

/** The week at home: sits down on some days, warms up where the key is new, and plays what is set. What is still new goes wrong more often. */
async function practise(year, one, state, { week, day, cards }) {
  const { room, calendar } = year;
  const days = calendar.daysOf(week, 'monday').filter((other) => other >= day);
  const count = Math.max(0, one.sits - (one.random() < 0.3 ? 1 : 0));
  const card = cards.find(({ isDone }) => !isDone(state.facts)) ?? cards[0];
  if (!card) return;
  const key = room.core.parseKey(card.key, 'major');
  const piece = room.pieceOf(card.piece);
  for (let sitting = 0; sitting < count; sitting += 1) {
    const on = days[Math.min(days.length - 1, sitting)];
    const isWarm = year.teaching.recordedKeys(state.facts).get(card.key)?.patternSinceMs != null;
    for (const hand of isWarm ? [] : ['right', 'left']) {
      const asked = room.musicOf(room.patternOf(card.key, hand), null, hand, one.player);
      await run(year, one, state, {
        on,
        sitting,
        asked,
        music: 'warm-up',
        hand,
        card,
        skill: `pattern/${card.key}/${hand}`,
        tempo: 60,
      });
    }
    const name = `${card.piece}/${card.key}`;
    const tempo = Math.min(100, 50 + 5 * Math.round(10 * (one.skill.get(name) ?? 0)));
    await run(year, one, state, {
      on,
      sitting,
      asked: room.musicOf(piece, key, 'both', one.player),
      music: 'piece',
      hand: 'both',
      card,
      skill: name,
      tempo,
    });
  }
}

async function run(year, one, state, { on, sitting, asked, music, hand, card, skill, tempo }) {
  const learned = one.skill.get(skill) ?? (music === 'warm-up' ? 0.5 : 0.15);
  const weaknesses = one.weaknesses.filter(() => one.random() < 0.9 * (1 - learned));
  year.runs += 1;
  const { keys, bpm, judged } = year.room.play(asked, { seed: year.runs, tempo, weaknesses, jitterMs: 18 });
  one.skill.set(skill, learned + one.fades * (1 - learned));
  const end = Math.max(0, ...keys.map(({ upMs }) => upMs));
  const minute = 5 + ((state.facts.length * 7) % 50);
  const atMs =
    year.atOf(on, `${String(16 + (sitting % 4)).padStart(2, '0')}:${String(minute).padStart(2, '0')}`) +
    (music === 'warm-up' ? (hand === 'right' ? 0 : 60_000) : 150_000);
  const record = {
    id: `demo-run-${one.pupil.id.slice(5)}-${state.facts.length + 1}`,
    pupil: one.pupil.id,
    piece: card.piece,
    title: year.room.pieceOf(card.piece).score.title,
    edition: null,
    ...{
      music,
      key: card.key,
      stage: null,
      step: null,
      hand,
      bars: null,
      way: 'along',
      tempo,
      ear: 'usual',
      bpm,
      countIn: null,
    },
    playedOn: 'simulated',
    atMs,
    tookMs: Math.round(end + BESIDE_MS),
    outcome: judged.clean ? 'clean' : 'unclean',
    written: judged.written,
    right: judged.right,
    faults: judged.faults.map(({ kind, bar, beat, hand: of, notes }) => ({
      kind,
      bar,
      beat,
      hand: of,
      notes: [...notes],
    })),
    midi: isHeard(year, on) ? Buffer.from(year.room.core.writePlayedFile(keys)).toString('base64') : null,
  };
  await year.does({ kind: 'note.run', run: record }, on);
  state.facts.push(year.factOf(record));
}

/** What was played in the last weeks can be heard again. */
function isHeard({ weeks, calendar }, day) {
  return day >= calendar.daysOf(weeks.at(-HEARD_WEEKS), 'monday')[0];
}

const HEARD_WEEKS = 2;
