export { ok, err, unwrap } from './result';
export type { Result, Ok, Err } from './result';
export { assertNever } from './assert-never';
export { FILE_FORMATS } from './fault';
export type { Fault, FileFormat, Remark, TextPlace } from './fault';
