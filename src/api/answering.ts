import { refuse } from './answers';
import { readBody } from './body';
import { callerOf } from './caller';
import type { Answered, JobName } from './job';
import type { Appointments } from './appointments';
import type { Room } from './room';
import type { Desk } from './threads';

/** Where requests are taken in and answered. */
export interface Service extends Desk, Appointments {
  readonly room: Room;
}

/** A form brings the piece and what was played; the others bring the piece. */
const filesOf = (name: JobName): 1 | 2 => (name === 'judge' ? 2 : 1);

/** A handler of the scripting interface: takes in what is sent and has it answered elsewhere. Nothing is kept between requests. */
export function answering(name: JobName, desk: () => Service) {
  return async (request: Request): Promise<Response> => {
    const { room, busy, answer } = desk();
    const caller = callerOf(request);
    const visit = room.enter(caller);
    try {
      const body = await readBody({ request, files: filesOf(name), visit, small: room.small, busy });
      if (!body.ok) return refuse(body.error);
      const { search } = new URL(request.url);
      const type = request.headers.get('content-type') ?? '';
      const job = { name, search, type, body: body.value };
      const answered = await answer(job, { name: caller, gone: request.signal });
      return answered.ok ? responseOf(answered.value) : refuse(answered.error);
    } finally {
      visit.leave();
    }
  };
}

function responseOf({ status, headers, body }: Answered): Response {
  return new Response(body, { status, headers: headers.map(([name, value]): [string, string] => [name, value]) });
}
