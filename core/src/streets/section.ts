import type { Building } from '../light/index.js';
import { checkFinite, checkOptions, checkPositive, RAD_PER_DEG } from '../units/index.js';

/** A street by its cut alone, where no footprints are known. */
export interface StreetSection {
  /** Heights of the walls to the left and to the right of one who looks along the axis; 0 for no wall. */
  readonly leftHeightM: number;
  readonly rightHeightM: number;
}

/** Walls this long either way and this deep hide what lies behind them at every altitude that matters. */
const HALF_LENGTH_M = 300;
const DEPTH_M = 12;

export type StandsOn = 'left' | 'right' | 'middle';

/** How far from the middle of a street one stands, its widths: in the middle of a pavement (s); + is right. */
const ASIDE: Readonly<Record<StandsOn, number>> = { left: -0.35, middle: 0, right: 0.35 };

/** Metres from the middle of the street to where one stands; + is right, looking along its axis. */
export const asideOfMiddleM = (pavement: StandsOn, widthM: number): number => ASIDE[pavement] * widthM;

/** The two rows of a street round a stop at the origin, which stands on the left or right pavement or in the middle. */
export function sectionBuildings(options: {
  readonly section: StreetSection;
  readonly axisDeg: number;
  readonly widthM: number;
  readonly pavement: StandsOn;
}): Building[] {
  checkOptions('options', options);
  const { section, axisDeg, widthM, pavement } = options;
  checkFinite('axisDeg', axisDeg);
  checkPositive('widthM', widthM);
  const asideM = asideOfMiddleM(pavement, widthM);
  const [sin, cos] = [Math.sin(axisDeg * RAD_PER_DEG), Math.cos(axisDeg * RAD_PER_DEG)];
  const place = (along: number, aside: number): readonly [number, number] => {
    const across = aside - asideM;
    return [along * sin + across * cos, along * cos - across * sin];
  };
  const row = (side: -1 | 1, heightM: number): Building[] => {
    if (heightM <= 0) return [];
    const [near, far] = [(side * widthM) / 2, side * (widthM / 2 + DEPTH_M)];
    const footprint = [
      place(-HALF_LENGTH_M, near),
      place(HALF_LENGTH_M, near),
      place(HALF_LENGTH_M, far),
      place(-HALF_LENGTH_M, far),
    ];
    return [{ footprint, heightM }];
  };
  return [...row(-1, section.leftHeightM), ...row(1, section.rightHeightM)];
}
