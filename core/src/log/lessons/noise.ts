import { bodyOf } from '../frames/index.js';
import { type Body, isoCeilingOf, type Standard } from '../../kit/index.js';
import { clamped, expectedOf, framesOf, type Lesson, type LessonQuestion, taughtBy, toleranceLesson } from './lesson.js';

/** A ceiling of a body taken into the standard, and what it stood at before. */
export function withCeiling(
  standard: Standard,
  { id, lowestIso, highestIso }: Body,
  iso: number,
  today: number,
): Partial<Standard> {
  const taken = Math.round(clamped(iso, [lowestIso, highestIso]));
  return {
    isoCeilingByBody: { ...standard.isoCeilingByBody, [id]: taken },
    ...taughtBy(standard, { [`isoCeiling/${id}`]: { today, taken } }),
  };
}

/** The ISO up to which a person takes a body's noise, four frames of five. Source: docs/log.md#lessons. */
export function isoLesson(question: LessonQuestion, body: Body): Lesson<Partial<Standard>> {
  const { standard } = question;
  const today = isoCeilingOf(body, standard);
  const expected = expectedOf(standard, `isoCeiling/${body.id}`, today);
  const frames = framesOf(question, (one, log) => {
    const { verdict, iso } = one.frame;
    const isIts = bodyOf(question, log, one)?.id === body.id;
    return verdict === null || verdict === 'no' || iso === null || !isIts ? [] : [{ measure: iso, isFine: verdict !== 'noise' }];
  });
  return toleranceLesson(frames, expected, {
    today,
    value: (stops) => expected * 2 ** stops,
    takes: ({ stops }) => withCeiling(standard, body, expected * 2 ** stops, today),
  });
}
