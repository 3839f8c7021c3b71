'use client';

import { useState } from 'react';
import { Tag } from 'lucide-react';
import { change, MOST_TAG_LETTERS, type PieceRecord } from '@/data';
import { FoldOut } from '@/features/shared/parts/fold-out';
import { useWords, type Words } from '@/features/shared/words/use-words';
import { Checkbox } from '@/features/shared/parts/checkbox';

interface CardTagsProps {
  readonly piece: PieceRecord;
  readonly title: string;
  /** All tags there are. */
  readonly allTags: readonly string[];
}

function putTag(w: Words, piece: PieceRecord, title: string, tag: string): void {
  const as = piece.tags.includes(tag) ? 'taken' : 'put';
  void change(
    { kind: 'piece.tag', id: piece.id, tag, as },
    as === 'put' ? w.shelf.putOn(tag, title) : w.shelf.takenOff(tag, title),
  );
}

/** The teacher's own words on a card: any that there are with one press, or a new one. */
export function CardTags({ piece, title, allTags }: CardTagsProps) {
  const w = useWords();
  const [typed, setTyped] = useState('');
  return (
    <FoldOut
      summary={<Tag size={16} aria-hidden />}
      className="btn btn-ghost btn-sm btn-square size-9"
      role="card-tags"
      label={w.shelf.tagsOf(title)}
      title={w.shelf.tags}
      width="w-60 bottom-full mb-1"
    >
      <form
        className="flex flex-col gap-1 p-2"
        onSubmit={(event) => {
          event.preventDefault();
          const tag = typed.trim().replace(/\s+/g, ' ');
          if (tag === '') return;
          if (!piece.tags.includes(tag)) putTag(w, piece, title, tag);
          setTyped('');
        }}
      >
        {allTags.map((tag) => (
          <label key={tag} className="flex min-h-8 cursor-pointer items-center gap-2">
            <Checkbox checked={piece.tags.includes(tag)} onChange={() => putTag(w, piece, title, tag)} />
            <span className="min-w-0 truncate">{tag}</span>
          </label>
        ))}
        <input
          className="input input-sm h-9 w-full"
          placeholder={w.shelf.newTagThenEnter}
          aria-label={w.shelf.newTag}
          data-first
          maxLength={MOST_TAG_LETTERS}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </form>
    </FoldOut>
  );
}
