interface Failure {
  readonly name: string;
  readonly why: string;
}
interface Result {
  readonly file: string;
  readonly passed: number;
  readonly failed: readonly Failure[];
}
interface NotedResult extends Result {
  readonly before: readonly Failure[];
}
export function noteResult(result: Result): void;
export function resultsNoted(path?: string): readonly NotedResult[];
export function sumOf(results: readonly Result[]): { readonly passed: number; readonly failed: number };
export function tellFailures(results: readonly NotedResult[]): void;
