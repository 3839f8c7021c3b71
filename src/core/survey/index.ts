export { blackFingers } from './black-fingers';
export type { BlackFingers } from './black-fingers';
export { effortOf } from './effort';
export { KEY_ORDERS, leaveOutReason, placeInOrder } from './key-order';
export type { KeyOrder } from './key-order';
export { PARTNERS, PARTNER_NAMES, fitRange, isReadable, partnersKey } from './partner';
export type { Partner, Range, RangeFit } from './partner';
