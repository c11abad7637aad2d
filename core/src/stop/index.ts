export { type Approach, APPROACHES, DEFAULT_APPROACH } from './approach.js';
export { DEFAULT_FRAMING, type Framing } from './framing.js';
export type { GroundMark } from './ground.js';
export { type ManualSettings, isSameHand } from './hand.js';
export { NIGHT_STEP_MIN, type NightInput, type NightOfStop, nightOfStop, NOON_MIN, type Twilight } from './light/nightOfStop.js';
export { type HoursSpan, isWithinHours, overMidnight } from './hours.js';
export { areStreetLamps, type LampsOut, streetLampsShare } from './lampsOut.js';
export {
  DEFAULT_INTENTS,
  isOfTheDark,
  type Intent,
  INTENT_KINDS,
  INTENT_NAMES,
  type IntentAnswers,
  type IntentKind,
  type IntentOf,
} from './intents.js';
export { type LightWindow, lightWindows, WINDOW_RULES, type WindowRules } from './light/lightWindows.js';
export type { MissingLight } from './light/missingLight.js';
export { type PictureLight, pictureLightAt } from './light/pictureLight.js';
export type { Background, BackgroundKind, Face } from './background.js';
export { type CameraReach, DEFAULT_CAMERA_REACH } from './cameraReach.js';
export {
  axisGapDeg,
  type QualityInput,
  type Ramp,
  type RampFigure,
  ramp,
  type SiteOfDay,
  type WindowReason,
} from './light/quality.js';
export {
  DEFAULT_THRESHOLDS,
  GATES,
  type Threshold,
  THRESHOLD_NAMES,
  type ThresholdName,
  type WindowThresholds,
} from './light/thresholds.js';
export {
  type Consent,
  type Movers,
  type Pavement,
  type Stop,
  type Subject,
  type SunGap,
  ZONE_KINDS,
  type ZoneKind,
} from './stop.js';
export {
  scaledZone,
  shareLeftOut,
  asZoneKind,
  withDrawnEnd,
  withEnds,
  withPassers,
  zoneForIntent,
  zoneLawFor,
  zoneLawOf,
  zoneOfPassers,
} from './zone.js';
export { DEFAULT_SHOOTING, LAMP_KINDS, type LampKind, type Shooting, SMEAR_WISHES, type SmearWish } from './shooting.js';
export { isMovementOfMatter } from './movement.js';
export { isOfThing, ofPeople, ofThing } from './thing.js';
export {
  lightOfDay,
  litGroundAt,
  shadowLengthM,
  type SiteDay,
  siteLookOf,
  type StopDay,
  stopDay,
  stopDayIn,
  type StopDayInput,
  stopLightOn,
  type StopMinutes,
} from './light/stopDay.js';
export {
  bearingGapDeg,
  isSpotSunlit,
  type LightSite,
  METERED_SURFACES,
  type MeteredSurface,
  type StopInstant,
  type StopLight,
  stopLightAt,
  stopLampsAt,
} from './light/stopLight.js';
export { type SameLight, sameLightAgain } from './light/sameLight.js';
export {
  type BestDay,
  bestDays,
  CARPET_ROWS,
  CARPET_STARTS,
  CARPET_STATES,
  CARPET_STEP_MIN,
  type CarpetState,
  type YearInput,
  type YearOfQuality,
  yearOfQualitySteps,
  type YearOfSun,
  yearOfSun,
} from './light/yearOfLight.js';
export { isAloneWished, PEOPLE_WISHES, peopleWishOf, type PeopleWish, type Wishes } from './wishes.js';
export {
  DEFAULT_METERING,
  METERED_ON,
  type MeteredOn,
  type Metering,
  PLACEMENT_METHODS,
  type PlacementMethod,
  type Reading,
  READING_KINDS,
  type ReadingKind,
} from './metering.js';
export { LIGHT_CHANGES, type LightChange } from './light/lightChange.js';
export {
  FRAMING_FIELDS,
  GROUND_MARK_FIELDS,
  HOURS_FIELDS,
  LAMPS_OUT_FIELDS,
  OPEN_FIELDS,
  INTENT_FIELDS,
  MOVERS_FIELDS,
  SHOOTING_FIELDS,
  STOP_FIELDS,
  SUBJECT_FIELDS,
  SUN_GAP_FIELDS,
  WISHES_FIELDS,
} from './fields.js';
