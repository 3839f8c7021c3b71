'use client';

import type { Wording } from '@/core/explain';
import { usePiece, type PupilRecord } from '@/data';
import { useForWhom } from '@/features/shared/pupils/for-whom';
import { ANY_HAND } from '@/features/shared/pupils/pupil-select';
import { MissingPiece, WhichPiece } from '@/features/shared/pieces/which-piece';
import { useWords, WordsFor } from '@/features/shared/words/use-words';
import { usePracticeAddress } from './practice-address';
import { PracticePiece } from './practice-piece';
import { StepsPage } from './steps-page';

/** How this pupil calls notes; finger numbers and degrees stand on the page, and are no other names. */
function namesFor(pupil: PupilRecord | null): Wording['names'] | null {
  const names = pupil?.names ?? null;
  return names === 'numbers' || names === 'degrees' ? null : names;
}

/** The pupil's page: a piece step by step, or as one likes, to be played and listened to. */
export function Practice() {
  const w = useWords();
  const address = usePracticeAddress();
  const piece = usePiece(address.piece);
  // Who plays is said by the address and the page: nobody else's record is written into.
  const whom = useForWhom(address.pupil ?? ANY_HAND);
  if (address.piece === null) {
    return (
      <WhichPiece
        words={w.practice.pupilsPageShowsPiece}
        addressOf={({ id, lastKey }) =>
          `/practice?piece=${encodeURIComponent(id)}${lastKey ? `&key=${encodeURIComponent(lastKey)}` : ''}`
        }
      />
    );
  }
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">{w.practice.openingPage}</p>;
  return (
    <WordsFor names={namesFor(whom.pupil)}>
      {address.step === null ? (
        <PracticePiece key={piece.id} piece={piece} address={address} whom={whom} />
      ) : (
        <StepsPage key={piece.id} piece={piece} address={address} whom={whom} />
      )}
    </WordsFor>
  );
}
