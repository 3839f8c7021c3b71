interface ActionListProps {
  /** Each with a name for tests, its words, and what it does. */
  readonly actions: readonly (readonly [name: string, words: string, act: () => void])[];
}

/** What can be done, in a list that unfolds under a button: a press does it, and the list goes away. */
export function ActionList({ actions }: ActionListProps) {
  return (
    <ul className="p-1">
      {actions.map(([name, words, act]) => (
        <li key={name}>
          <button
            type="button"
            className="btn btn-ghost btn-sm h-9 w-full justify-start font-normal pointer-coarse:h-11"
            data-action={name}
            onClick={(event) => {
              event.currentTarget.closest('details')?.removeAttribute('open');
              act();
            }}
          >
            {words}
          </button>
        </li>
      ))}
    </ul>
  );
}
