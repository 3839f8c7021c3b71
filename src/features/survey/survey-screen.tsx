'use client';

import { usePiece } from '@/data';
import { useForWhom } from '@/features/shared/for-whom';
import { MissingPiece, WhichPiece } from '@/features/shared/which-piece';
import { SurveyPiece } from './survey-piece';
import { useSurveyAddress } from './survey-address';

/** All keys of a piece at once: which are easy, in which order, and why. */
export function SurveyScreen() {
  const address = useSurveyAddress();
  const piece = usePiece(address.piece);
  const whom = useForWhom(address.pupil);
  if (address.piece === null)
    return (
      <WhichPiece
        words="Its keys are put into order for a pupil, each with what it costs and why. Drop a MusicXML, ABC or MIDI file anywhere to bring one in."
        addressOf={({ id }) => `/survey?piece=${encodeURIComponent(id)}`}
      />
    );
  if (piece === null) return <MissingPiece />;
  if (!piece || !whom) return <p className="p-8">Opening the survey …</p>;
  return <SurveyPiece key={piece.id} piece={piece} whom={whom} address={address} />;
}
