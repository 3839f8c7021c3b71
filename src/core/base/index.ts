export { groupBy } from './group-by';
export { ok, err, unwrap } from './result';
export type { Result } from './result';
export { assertNever } from './assert-never';
export { FILE_FORMATS } from './fault';
export type { Easier, Fault, FileFormat, Remark, TextPlace } from './fault';
export { forgetAll, lastingMemo, memo, memoLast, memoOf } from './memo';
