/** Whoever could not be told apart. */
const SOMEBODY = 'somebody';

/** Who sends a request: the address that the server in front wrote down (scripts/lib/http-server.mjs), which takes none from callers. */
export function callerOf({ headers }: Pick<Request, 'headers'>): string {
  const [first] = (headers.get('x-forwarded-for') ?? '').split(',');
  return first?.trim() || SOMEBODY;
}
