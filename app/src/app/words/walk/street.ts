import type { Street } from '@roam-dial/core/plan';
import type { Wording } from '../wording';

const SIDES = { left: 'you on its left', right: 'you on its right', middle: 'you in its middle' } as const;

/** "By the map this is Orrel Steps: it runs 48°, 6 m wide, you in its middle." */
export function streetSentence({ name, axisDeg, widthM, side }: Street, wording: Wording): string {
  const width = widthM === null ? '' : `, ${wording.exactDistance(widthM)} wide`;
  return `By the map ${name === null ? 'the street here' : `this is ${name}: it`} runs ${axisDeg}°${width}, ${SIDES[side]}.`;
}
