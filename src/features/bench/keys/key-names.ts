/** Keys of the Bench that a button has too. */
export const BENCH_KEYS = {
  play: 'p',
  larger: '+',
  smaller: '-',
  fit: 'z',
  keyboard: 'k',
  beside: 'h',
  tools: 'o',
  survey: 'y',
  stand: 'm',
  practise: 'q',
  enter: 'w',
  save: 's',
  stages: 'l',
  stageBefore: ',',
  nextStage: '.',
} as const;
