import type { PictureSpot } from '../frames/frame.js';
import { type EchoMap, echoNear } from './echoMap.js';
import type { EchoBlur } from './echoes.js';
import type { Evidence } from './evidence.js';
import type { SoftnessReading } from './readSoftness.js';

/**
 * What speaks for one fault or another, each as one number; lengths as stops (log₂) over what is sharp enough. In the order in
 * which verdictWeights.ts has its weights.
 */
export const SIGNS = [
  'restSharpest',
  'restMiddle',
  'restSoftest',
  'sharpShare',
  'smearedShare',
  'softAreaShare',
  'tilesRead',
  'subjectWidest',
  'subjectMiddle',
  'subjectSharpest',
  'subjectRound',
  'subjectLevel',
  'subjectUnread',
  'subjectOverRest',
  'subjectOverBeside',
  'echo',
  'echoOverAround',
  'echoLength',
  'echoAround',
  'aroundLength',
  'nearEcho',
  'nearOverAround',
  'nearLength',
  'nearAround',
  'nearAroundLength',
  'nearLevel',
  'nearOverWhole',
  'smearsShare',
  'smearsAgree',
  'black',
  'dark',
  'blocksDark',
  'noise',
  'noiseLeft',
] as const;
export type Sign = (typeof SIGNS)[number];
/** Null where a picture does not say. */
export type Signs = Readonly<Record<Sign, number | null>>;

const stops = (value: number, least: number): number => Math.log2(Math.max(least, value));
const quantile = (sorted: readonly number[], share: number): number | null =>
  sorted.length === 0 ? null : (sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] as number);
/** 1 along the ground, 0 straight up. */
const levelOf = (directionDeg: number): number => Math.cos((directionDeg * Math.PI) / 180) ** 2;
const LEAST_RATIO = 0.15;
/** More than all of it is detail that fine, whatever it comes to. */
const MOST_LEFT = 1.5;

type EchoSigns = Readonly<Record<'clear' | 'over' | 'length' | 'around' | 'aroundLength', number | null>>;

function echoSigns(blur: EchoBlur | null, sharpPx: number): EchoSigns {
  if (blur === null) return { clear: null, over: null, length: null, around: null, aroundLength: null };
  const { echo, around, lengthPx, aroundPx } = blur;
  return {
    clear: echo,
    over: echo - around,
    length: stops(lengthPx / sharpPx, LEAST_RATIO),
    around,
    aroundLength: stops(aroundPx / sharpPx, LEAST_RATIO),
  };
}

function nearestEcho(echoes: EchoMap | null | undefined, at: PictureSpot): EchoBlur | null {
  return echoes === null || echoes === undefined ? null : echoNear(echoes, at);
}

/** Of a reading, with the subject at a spot. Source: docs/log.md#verdicts. */
export function signsOf(reading: SoftnessReading, evidence: Evidence, subjectAt: PictureSpot): Signs {
  const { sharpPx, rest, round, sharpShare, smearedShare, softAreaShare, tiles, agreement, smearsShare } = evidence;
  const over = (px: number): number => stops(px / sharpPx, LEAST_RATIO);
  const restWidths = rest.map(({ majorPx }) => majorPx).sort((a, b) => a - b);
  const restAt = (share: number): number | null => {
    const width = quantile(restWidths, share);
    return width === null ? null : over(width);
  };
  const [sharpest, middle, widest] = [0.15, 0.5, 0.85].map((share) => round[Math.floor(share * round.length)]);
  const besides = evidence.beside.flatMap((blurs) => {
    const one = blurs[blurs.length >> 1];
    return one === undefined ? [] : [over(one.majorPx)];
  });
  const roundness = middle === undefined ? null : middle.minorPx / Math.max(0.5, middle.majorPx);
  const restMiddle = restAt(0.5);
  const here = nearestEcho(reading.echoes, subjectAt);
  const [whole, about] = [echoSigns(reading.echoes?.whole ?? null, sharpPx), echoSigns(here, sharpPx)];
  const share = (value: number | undefined, least: number): number | null =>
    value === undefined ? null : Math.log2(value + least);
  return {
    restSharpest: restAt(0.15),
    restMiddle,
    restSoftest: restAt(0.85),
    sharpShare,
    smearedShare,
    softAreaShare,
    tilesRead: Math.min(1, tiles / 240),
    subjectWidest: widest === undefined ? null : over(widest.majorPx),
    subjectMiddle: middle === undefined ? null : over(middle.majorPx),
    subjectSharpest: sharpest === undefined ? null : over(sharpest.majorPx),
    subjectRound: roundness,
    subjectLevel: middle === undefined || roundness === null ? null : (1 - roundness) * levelOf(middle.directionDeg),
    subjectUnread: middle === undefined ? 1 : 0,
    subjectOverRest: middle === undefined || restMiddle === null ? null : over(middle.majorPx) - restMiddle,
    subjectOverBeside: middle === undefined || besides.length === 0 ? null : over(middle.majorPx) - Math.min(...besides),
    echo: whole.clear,
    echoOverAround: whole.over,
    echoLength: whole.length,
    echoAround: whole.around,
    aroundLength: whole.aroundLength,
    nearEcho: about.clear,
    nearOverAround: about.over,
    nearLength: about.length,
    nearAround: about.around,
    nearAroundLength: about.aroundLength,
    nearLevel: here === null || about.over === null ? null : about.over * levelOf(here.directionDeg),
    nearOverWhole: about.length === null || whole.length === null ? null : about.length - whole.length,
    smearsShare,
    smearsAgree: smearsShare * agreement,
    black: Math.log2(reading.blackShare + 0.002),
    dark: share(reading.darkShare, 0.004),
    blocksDark: share(reading.blockDarkShare, 0.01),
    noise: Math.log2(reading.noiseSeen + 0.2),
    noiseLeft: reading.noiseLeft === undefined ? null : Math.min(MOST_LEFT, reading.noiseLeft),
  };
}
