/** Work that can be stopped while it goes on, by its ticket; nothing is remembered of work that is over. */
export function createTickets() {
  const open = new Map<string, { isStopped: boolean }>();
  return {
    begin: (ticket: string | null) => {
      const work = { isStopped: false };
      if (ticket !== null) open.set(ticket, work);
      return { isStopped: () => work.isStopped, end: () => void (ticket === null || open.delete(ticket)) };
    },
    stop: (ticket: string): void => {
      const work = open.get(ticket);
      if (work) work.isStopped = true;
    },
  };
}

export type Tickets = ReturnType<typeof createTickets>;
