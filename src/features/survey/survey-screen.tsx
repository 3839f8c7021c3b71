'use client';

import { usePiece } from '@/data';
import { useForWhom } from '@/features/shared/pupils/for-whom';
import { MissingPiece, WhichPiece } from '@/features/shared/pieces/which-piece';
import { SurveyPiece } from './survey-piece';
import { useSurveyAddress } from './survey-address';
import { useWords } from '@/features/shared/words/use-words';

/** All keys of a piece at once: which are easy, in which order, and why. */
export function SurveyScreen() {
  const w = useWords();
  const address = useSurveyAddress();
  const piece = usePiece(address.piece);
  const whom = useForWhom(address.pupil);
  if (address.piece === null)
    return (
      <WhichPiece
        words={w.survey.itsKeysArePutInto}
        addressOf={({ id }) => `/survey?piece=${encodeURIComponent(id)}`}
      />
    );
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">{w.survey.openingSurvey}</p>;
  return <SurveyPiece key={piece.id} piece={piece} whom={whom} address={address} />;
}
