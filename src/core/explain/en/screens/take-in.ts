/** What was handed over, before it comes in. */
export const takeIn = () => ({
  nothing: 'Nothing was handed over. Drop a file that was handed over anywhere here.',
  looking: 'Looking at what was handed over …',
  link: 'the link',
  noHandOver: 'This link holds no hand-over.',
  from: (name: string) => `Handed over: ${name}`,
  nothingYet: (name: string) => `This is what comes in with ${name}. Nothing of it is taken in yet.`,
  allHere: 'All of it is here already.',
  nothingLeft: 'Nothing of it can be taken in.',
  whatComes: 'What comes in',
  what: 'what',
  changed: 'changed',
  takenOut: 'taken out',
  changes: (count: number) => `Changed here: ${count}`,
  goes: (count: number) => `Taken out here: ${count}`,
  leftOut: 'Left out',
  leftOutWhy: 'A hand-over may change only what belongs to its pupil. Everything else stays as it is here:',
  noOnePupil: 'A hand-over is about one pupil, and this one is not. Nothing of it is taken in:',
  unclear: (count: number) =>
    `${count === 1 ? 'One thing in it' : `${count} things in it`} cannot be understood, and ${count === 1 ? 'is' : 'are'} left out.`,
  would: (what: string, deed: 'add' | 'change' | 'remove') =>
    `${what} would be ${deed === 'add' ? 'added' : deed === 'change' ? 'changed' : 'taken out'}`,
  fieldsOf: (what: string, fields: string) => `${what}: ${fields}`,
  somethingElse: 'something else',
  piece: (title: string) => `The piece “${title}”`,
  pupil: (name: string) => `The pupil ${name}`,
  card: (title: string, pupil: string | null) => `The card “${title}”${pupil === null ? '' : ` for ${pupil}`}`,
  lesson: (pupil: string | null, day: string) =>
    `The note of ${pupil === null ? 'a lesson' : `${pupil}’s lesson`} on ${day}`,
  run: (title: string, key: string, when: string) => `“${title}” in ${key}, played ${when}`,
  answer: (asked: string, pupil: string | null) => `The answer to “${asked}”${pupil === null ? '' : ` by ${pupil}`}`,
  settings: 'The settings',
  desk: 'How the desk was left',
  carried: 'What studio files held beside all this',
  other: (id: string) => `Something named ${id}`,
  bothChanged: (count: number) =>
    `${count === 1 ? 'One thing was' : `${count} things were`} changed on both sides. What is here stays until somebody chooses: both are shown on the page of the pupil.`,
});
