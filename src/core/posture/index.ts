export { planPostures } from './plan-postures';
export type { PostureAsk, PosturePlan } from './plan-postures';
