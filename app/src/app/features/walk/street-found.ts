import type { Stop, Street } from '@roam-dial/core';
import type { Wording } from '../../wording/wording';

const SIDES = { left: 'you on its left', right: 'you on its right', middle: 'you in its middle' } as const;

/** "By the map this is Orrel Steps: it runs 48°, 6 m wide, you in its middle." */
export function streetSentence({ name, axisDeg, widthM, side }: Street, wording: Wording): string {
  const width = widthM === null ? '' : `, ${wording.exactDistance(widthM)} wide`;
  return `By the map ${name === null ? 'the street here' : `this is ${name}: it`} runs ${axisDeg}°${width}, ${SIDES[side]}.`;
}

/** The stop with the street that the map has where it stands; the camera keeps its look. */
export function withStreet(stop: Stop, { axisDeg, widthM, side }: Street): Stop {
  return { ...stop, streetAxisDeg: axisDeg, streetWidthM: widthM ?? stop.streetWidthM, pavement: side };
}

/** A street has no direction: 10 and 190 degrees are one axis. */
const AS_GOOD_DEG = 1;
const AS_GOOD_M = 0.1;

/** Whether the stop has the street as the map has it. */
export function isStreetTaken(stop: Stop, { axisDeg, widthM, side }: Street): boolean {
  const turnDeg = (((stop.streetAxisDeg - axisDeg) % 180) + 180) % 180;
  const isAxis = Math.min(turnDeg, 180 - turnDeg) <= AS_GOOD_DEG;
  const isWidth = widthM === null || Math.abs(stop.streetWidthM - widthM) <= AS_GOOD_M;
  return isAxis && isWidth && stop.pavement === side;
}
