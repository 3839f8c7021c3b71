/** Notes that a test of this file went to a page. Several processes may do so at a time. */
export function noteVisit(file: string): void;
