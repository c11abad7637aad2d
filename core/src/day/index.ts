export { type LaidOut, currentPlanValue } from './asItStands.js';
export { walkedPlan, EARLY_MIN, type WalkedVisit } from './asWalked.js';
export { dayProfileSteps, type DayProfile } from './dayProfiles.js';
export { type Here, replanFrom, type ReplannedFrom, restOfDay } from './fromHere.js';
export { goodFramesOfUsefulStay, goodFramesPerMin } from './goodFrames.js';
export { misfitOf, type MisfitAnswer } from './misfit.js';
export { keepOrder, type OwnOrder } from './ownOrder.js';
export { type DayPlan, type PlannedVisit } from './plan.js';
export { planDay, planDaySteps, type PlannedDay, type PlanProgress, type Proof } from './planDay.js';
export {
  DEFAULT_PRICE_PER_MIN,
  type DayQuestion,
  DEFAULT_STAY,
  fixedAt,
  MILLION,
  type MinuteSpan,
  type Visit,
  type VisitWorth,
} from './question.js';
export {
  type Alone,
  chanceOfAtLeast,
  CROWD_FACTORS,
  crowdShareAt,
  expectedForChance,
  minutesUntil,
  type Passers,
  suitablePerMinute,
  type Wait,
  waitAhead,
  type WaitFor,
} from './wait.js';
