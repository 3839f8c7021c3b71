import { array, object, string } from 'yup';
import { EASINGS } from '@/core/stages';
import { oneOf } from '@/contract/one-of';

/** For whom and where something was decided: a pupil by id or any hand (null), one key as `Bb-major` or every key (null). */
export const forWhom = { pupil: string().nullable().defined(), key: string().nullable().defined() };

/** Names of things, in an order that counts. */
export const ids = array(string().required()).required();

/** What the teacher made of the stages of a piece: their order, what was left out and taken in (stages by their ids), own stages, and the fingers put into
 * single ones. */
export const stageFields = {
  stageOrder: ids,
  stagesLeft: ids,
  stagesAdded: ids,
  ownStages: array(
    object({
      id: string().required(),
      title: string().required().max(60),
      words: string().defined().max(300),
      hand: oneOf(['right', 'left', 'both']),
      /** Null for all bars; each by its number and the first note that it had. */
      bars: array(object({ bar: string().required(), note: string().nullable().defined() }))
        .nullable()
        .defined(),
      easings: array(oneOf(EASINGS)).required(),
    }),
  ).required(),
  stageFingers: array(
    object({
      stage: string().required(),
      ...forWhom,
      note: string().required(),
      finger: oneOf([1, 2, 3, 4, 5]),
    }),
  ).required(),
};

/** The same as it stands in a piece file of ours. */
export const stagesBesideSchema = object(stageFields);

export const NO_STAGES = { stageOrder: [], stagesLeft: [], stagesAdded: [], ownStages: [], stageFingers: [] };
