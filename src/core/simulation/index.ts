export { playAs } from './play-as';
export { WEAKNESSES } from './pupil';
export type { Performed, Pupil, Slip, Weakness } from './pupil';
