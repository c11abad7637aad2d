import { EYE_HEIGHT_M, PERSON_HEIGHT_M } from '../../optics/index.js';
import type { Intent, LightChange, StopLight, Subject } from '../../stop/index.js';
import { person } from '../map/shapes.js';

/** The light that a stop's frame is painted with: what its card meters, and of the rest what is known. */
export type FrameLight = Pick<StopLight, 'keyEv100' | 'contrastEv' | 'surface'> &
  Partial<
    Pick<StopLight, 'modelEv100' | 'shadeEv' | 'litGroundEv' | 'litPersonEv' | 'cameraSideEv' | 'skyEv' | 'isLit' | 'lampsOn'>
  >;

export interface FrameOfStop {
  readonly intent: Intent;
  readonly light: FrameLight;
  readonly subject: Pick<Subject, 'medianM'>;
  readonly focalLengthMm: number;
  readonly body: { readonly sensorWidthMm: number; readonly sensorHeightMm: number };
  readonly changes?: LightChange;
  /** The street that it looks along; a middling one by default. */
  readonly streetWidthM?: number;
  readonly wallsM?: number;
}

/** Every light of the frame as a reading, EV. */
export interface Readings {
  readonly key: number;
  /** The ground, shaded and lit: stone as dark as a grey card. Walls stand upright, with half of its sky. */
  readonly shade: number;
  readonly lit: number;
  readonly shadedWall: number;
  /** People: on the side to the camera, and in the sun. */
  readonly person: number;
  readonly litPerson: number;
  readonly sky: number;
  readonly isLit: boolean;
  readonly isNight: boolean;
}

const LIT_SURFACES: ReadonlySet<StopLight['surface']> = new Set(['litPerson', 'litGround', 'litWall']);
/** Coats are darker than a grey card; what is not known of the sky lies so far over the shade. Judgement. */
const COAT_EV = -1;
/** What the walls of a street come to, windows and doors among them: what a grey card of 18 % reads over the light. */
const STREET_OVER_GREY_EV = 0.2;
const SKY_OVER_SHADE_EV = 2.5;
const SKY_UNDER_LAMPS_EV = 2;

/** Where only the key's light is known, the rest follows from it and the contrast; a reading moves all of it. */
export function readingsOf({ light }: FrameOfStop): Readings {
  const { keyEv100, contrastEv, surface: of } = light;
  const shift = light.modelEv100 === undefined ? 0 : keyEv100 - light.modelEv100;
  const known = (ev: number | undefined): number | null => (ev === undefined || !Number.isFinite(ev) ? null : ev + shift);
  const shadeLight = known(light.shadeEv) ?? keyEv100 - (LIT_SURFACES.has(of) ? Math.max(0, contrastEv) : 0);
  const isLit = light.isLit ?? LIT_SURFACES.has(of);
  const litLight = isLit ? (known(light.litGroundEv) ?? shadeLight + Math.max(0, contrastEv)) : shadeLight;
  const sky = known(light.skyEv) ?? shadeLight + (light.lampsOn === true ? -SKY_UNDER_LAMPS_EV : SKY_OVER_SHADE_EV);
  return {
    key: keyEv100,
    shade: shadeLight,
    lit: litLight,
    shadedWall: shadeLight - 1 + STREET_OVER_GREY_EV,
    person: (known(light.cameraSideEv) ?? shadeLight - 1) + COAT_EV,
    litPerson: (known(light.litPersonEv) ?? litLight) + COAT_EV,
    sky,
    isLit,
    // Lamps burn by day too, in a market hall or a passage.
    isNight: light.lampsOn === true && sky < shadeLight,
  };
}

/** Sizes in the frame, heights of it. */
export interface FrameSizes {
  readonly halfStreetM: number;
  readonly wallsM: number;
  readonly aspect: number;
  /** Frame heights that a metre takes up at a metre. */
  readonly scale: number;
  readonly medianM: number;
}

/** Sides of a frame that anybody has, whatever is typed. */
const WIDEST = 4;

function aspectOf({ sensorWidthMm, sensorHeightMm }: FrameOfStop['body']): number {
  return Math.min(WIDEST, Math.max(1 / WIDEST, sensorWidthMm / sensorHeightMm));
}

/** A street to stand in where nothing is said of one. Judgement. */
const STREET_M = 6;
const WALLS_M = 12;
const NARROWEST_M = 1;

export function viewOf({ subject, focalLengthMm, body, streetWidthM = STREET_M, wallsM = WALLS_M }: FrameOfStop): FrameSizes {
  return {
    halfStreetM: Math.max(NARROWEST_M, streetWidthM) / 2,
    wallsM: Math.max(NARROWEST_M, wallsM),
    aspect: aspectOf(body),
    scale: focalLengthMm / body.sensorHeightMm,
    medianM: Math.max(subject.medianM, 0.5),
  };
}

export const MIDDLE_Y = 0.5;

/** However near or far they are, somebody is seen, and something beside them: frame heights a metre. */
const SMALLEST = 0.05;
const TALLEST = 0.9;

/** Somebody on the street at the median distance, at eye height with the camera. */
export function personAt({ aspect, scale, medianM }: FrameSizes, across = 0.5): ReturnType<typeof person> {
  const perM = Math.min(TALLEST, Math.max(SMALLEST, scale / medianM));
  return person({ x: across * aspect, y: MIDDLE_Y + EYE_HEIGHT_M * perM }, PERSON_HEIGHT_M * perM);
}

/** Cells of a map with a frame's sides, of so many rows. */
export function mapSizeOf(
  { body }: Pick<FrameOfStop, 'body'>,
  height: number,
): { readonly width: number; readonly height: number } {
  return { width: Math.round(height * aspectOf(body)), height };
}
