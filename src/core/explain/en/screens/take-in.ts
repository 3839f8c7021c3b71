/** What was handed over, before it comes in. */
export const takeIn = () => ({
  nothing: 'Nothing was handed over. Drop a file that was handed over anywhere here.',
  looking: 'Looking at what was handed over …',
  link: 'the link',
  noHandOver: 'This link holds no hand-over.',
  from: (name: string) => `Handed over: ${name}`,
  nothingYet: (name: string) => `This is what comes in with ${name}. Nothing of it is taken in yet.`,
  allHere: 'All of it is here already.',
  whatComes: 'What comes in',
  what: 'what',
  changed: 'changed',
  goes: 'taken out',
  bothChanged: (count: number) =>
    `${count === 1 ? 'One thing was' : `${count} things were`} changed on both sides. What is here stays until somebody chooses: both are shown on the page of the pupil.`,
});
