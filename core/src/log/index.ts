export * from './frames/index.js';
export * from './film/index.js';
export {
  COMPARED,
  type Compared,
  type Departure,
  departures,
  DEPARTS_FROM_EV,
  wideDepartures,
} from './compare/plannedAgainstUsed.js';
export { type Blur } from './softness/blur/spread.js';
export { cropped, type Luma, lumaOf } from './softness/luma.js';
export { readSoftness, type SoftnessReading, TILES_LONG, TILES_SHORT } from './softness/readSoftness.js';
export { type Evidence, evidenceOf, type FrameLook, smearOf, stateOf, type TileState } from './softness/evidence.js';
export { type BlurTrace } from './softness/blur/blurTrace.js';
export { type FrameMeant, leftByPlan, leftBySettings, NOT_PLANNED } from './softness/settings.js';
export { SIGNS, signsOf } from './softness/signs.js';
export { lookAsMeant, LOOKS, softnessVerdict, type SoftnessVerdict, weighable } from './softness/verdict.js';
export { pictureReading, MIDDLE } from './softness/frameSight.js';
export { FULL_PART_PX, fullParts, type FullSize, fullSizeAt, partBlur } from './softness/fullSize.js';
export { type Tones } from './softness/tones.js';
export { packedReading, type PackedReading, unpackedReading } from './softness/packed.js';
export { againstCard, type AgainstCard, type ExpectedGood, type LightFound, plannedSceneEv } from './compare/againstCard.js';
export { frameMeant } from './compare/meant.js';
export { type CauseFound, type Misses, missesOf, type MissStretch, type MissWhere } from './compare/misses.js';
export * from './lessons/index.js';
export * from './noise/index.js';
export * from './again/index.js';
export * from './track/index.js';
