export { planPostures } from './plan-postures';
