import { checkBetween, checkBeyondFocalLength, checkFinite, rangeError } from '../units/index.js';
import { chooseAt } from './choose.js';
import { type Plan, planSetUp } from './plan.js';
import type { Obstacle, SetUp, SetUpInput, SetUpResult } from './setUp.js';
import { timeExposure } from './timeExposure.js';
import { writeCard } from './writeCard.js';

function checkInput({ subject, lens, focalLengthMm, light }: SetUpInput): void {
  checkBetween('focalLengthMm', focalLengthMm, lens.shortestMm, lens.longestMm);
  checkBeyondFocalLength('subject.nearM', subject.nearM, focalLengthMm);
  checkBeyondFocalLength('subject.farM', subject.farM, focalLengthMm, { orInfinity: true });
  checkBeyondFocalLength('subject.medianM', subject.medianM, focalLengthMm);
  if (subject.farM <= subject.nearM) {
    throw rangeError('subject.farM', `greater than subject.nearM (${subject.nearM})`, subject.farM);
  }
  checkFinite('light.keyEv100', light.keyEv100);
}

function flashObstacle({ intent, flash, subject }: SetUpInput, setUp: SetUp): Obstacle | null {
  if (intent.kind !== 'flashLift') return null;
  if (flash === null) return { kind: 'noFlash' };
  if (setUp.flash === null || setUp.flash.reaches) return null;
  return { kind: 'flashTooWeak', reachM: setUp.flash.reachM, subjectM: subject.medianM };
}

/** The set-up of a plan at one EV of its metered surface; the plan serves any number of EVs. */
export function setUpAt(plan: Plan, keyEv100: number): SetUpResult {
  const targetEv = keyEv100 - plan.placement.keyEv;
  const { intent } = plan.input;
  if (intent.kind === 'longExposure' || intent.kind === 'fireworks') return timeExposure(plan, targetEv);
  const choice = chooseAt(plan, targetEv);
  const setUp = writeCard(plan, choice, targetEv);
  const obstacle = choice.obstacle ?? flashObstacle(plan.input, setUp);
  return obstacle === null
    ? { kind: 'ready', setUp, sacrifices: choice.sacrifices }
    : { kind: 'cannot', obstacle, setUp, sacrifices: choice.sacrifices };
}

/**
 * A first set-up: from intent, kit, standard and light the five numbers of the card in marked values, the limit that
 * binds each and why; or that it cannot be done, with what gives and by how much. Rules: docs/formulas.md#first-set-up.
 * @throws TypeError, RangeError for a zone nearer than the focal length or turned round, or a focal length off the lens.
 */
export function firstSetUp(input: SetUpInput): SetUpResult {
  checkInput(input);
  return setUpAt(planSetUp(input), input.light.keyEv100);
}
