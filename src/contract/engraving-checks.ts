import { array, number, object, string } from 'yup';
import type { Checks } from './checks';
import type { EngraveService } from './engraving-questions';
import { oneOf } from './one-of';

const engravingPageSchema = object({
  musicXml: string().required(),
  keyChanges: array(
    object({
      bar: number().integer().min(1).required(),
      fifths: array(number().integer().min(-7).max(7).required()).required(),
    }),
  ).required(),
});

export const engraveLayoutSchema = object({
  widthPx: number().min(100).max(10_000).required(),
  zoom: number().min(10).max(300).required(),
  breaks: oneOf(['encoded', 'none']),
  spread: oneOf(['wide', 'natural']).optional(),
});

/** What may be said in each question that the engraver is asked. */
export const ENGRAVE_CHECKS: Checks<EngraveService> = {
  engrave: [engravingPageSchema, engraveLayoutSchema],
  ready: [],
};
