export { blackFingers } from './black-fingers';
export type { BlackFingers } from './black-fingers';
export { effortOf } from './effort';
export { KEY_ORDERS, leaveOutReason, placeInOrder } from './key-order';
export type { KeyOrder } from './key-order';
