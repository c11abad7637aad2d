export {
  type LessonFigure,
  type Lesson,
  type LessonQuestion,
  type NoLesson,
  type WalkedFrames,
  questionsOfStops,
} from './lesson.js';
export { type Tolerance, toleranceOf, type Trial, trialsOf } from './tolerance.js';
export { handsLesson } from './hands.js';
export { isoLesson, withCeiling } from './noise.js';
export { guessLesson, stepsLesson } from './distances.js';
export { smearLesson, speedLesson } from './people.js';
export { legsWalked, paceLesson, tracksWalked, type WalkedLeg } from './pace.js';
