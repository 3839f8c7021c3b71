import { YEAR } from './pupils.mjs';

/** The year of each pupil in a line: what was played, what was secure in the end. */
export async function yearTable(database) {
  const teaching = await import('../../src/core/teaching/index.ts');
  const { factOf } = await import('../../src/data/records/digest.ts');
  const runs = (await database.runs.toArray()).map((run) => ({ ...factOf(run), pupil: run.pupil }));
  const rows = YEAR.map(({ record, sits, weaknesses }) => {
    const own = runs.filter(({ pupil }) => pupil === record.id);
    const secure = [...teaching.recordedKeys(own).values()].filter(({ state }) => state === 'secure');
    const clean = own.filter(({ outcome }) => outcome === 'clean').length;
    const keys = secure.map(({ key }) => keyWords(key)).join(', ');
    return `| ${record.name} | ${record.level}, ${record.spanMm} mm | ${weaknesses.join(', ')} | ${sits} | ${own.length} | ${Math.round((100 * clean) / own.length)} % | ${keys} |`;
  });
  return [
    '| pupil | level, reach | weaknesses | sits down a week | runs | clean | keys with a secure piece in the end |',
    '| --- | --- | --- | --- | --- | --- | --- |',
    ...rows,
  ].join('\n');
}

/** Every proposal, in the order of pupils and days. */
export function proposalsTable({ proposals, says }) {
  const rows = proposals.map(({ pupil, day, secure, first, others }) => {
    const [why] = first ? says.nextKeyWords(first) : [''];
    const black = first ? says.nextKeyWords(first)[1] : '';
    return `| ${pupil.name} | ${day} | ${secure.map((key) => keyWords(key)).join(', ')} | ${first ? `**${keyWords(first.key)}**` : 'none'} | ${black} ${why} | ${others.map(({ key }) => keyWords(key)).join(', ')} |`;
  });
  return [
    '| pupil | day | known | proposed | because | next in line |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
  ].join('\n');
}

function keyWords(name) {
  const [tonic, mode] = name.split('-');
  const written = tonic.replace('#', '♯').replace('b', '♭');
  return mode === 'minor' ? `${written} minor` : written;
}
