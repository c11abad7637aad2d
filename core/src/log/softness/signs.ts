import type { BlurTrace } from './blur/blurTrace.js';
import type { Evidence } from './evidence.js';
import type { SoftnessReading } from './readSoftness.js';
import type { Blur } from './blur/spread.js';

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
  'line',
  'lineLength',
  'disc',
  'discWidth',
  'nearLine',
  'nearLineLength',
  'nearLineLevel',
  'nearLineOverWhole',
  'nearDisc',
  'nearDiscWidth',
  'nearDiscOverWhole',
  'discsShare',
  'smearsShare',
  'smearsAgree',
  'black',
  'dark',
  'blocksDark',
  'haze',
  'leastHaze',
  'noise',
  'noiseLeft',
  'colourNoise',
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

type TraceSigns = Readonly<Record<'line' | 'length' | 'disc' | 'width', number | null>>;
const LEAST_LINE = 0.5;
const LEAST_DISC = 0.003;

function traceSigns(trace: BlurTrace | null, sharpPx: number): TraceSigns {
  if (trace === null) return { line: null, length: null, disc: null, width: null };
  const { lineClear, lengthPx, discClear, diameterPx } = trace;
  return {
    line: stops(lineClear, LEAST_LINE),
    length: stops(lengthPx / sharpPx, LEAST_RATIO),
    disc: stops(discClear, LEAST_DISC),
    width: stops(diameterPx / sharpPx, LEAST_RATIO),
  };
}

const less = (one: number | null, other: number | null): number | null => (one === null || other === null ? null : one - other);

/** Of a reading and what its parts say together. Source: docs/log.md#verdicts. */
export function signsOf(reading: SoftnessReading, evidence: Evidence): Signs {
  const { sharpPx, rest, round, sharpShare, smearedShare, softAreaShare, tiles, agreement, smearsShare, discsShare } = evidence;
  const { trace, subjectTrace } = evidence;
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
  const ratioOf = ({ majorPx, minorPx }: Blur): number => minorPx / Math.max(0.5, majorPx);
  const ratios = round.map(ratioOf).sort((a, b) => a - b);
  const levels = round.map((blur) => (1 - ratioOf(blur)) * levelOf(blur.directionDeg)).sort((a, b) => a - b);
  const restMiddle = restAt(0.5);
  const [whole, near] = [traceSigns(trace, sharpPx), traceSigns(subjectTrace, sharpPx)];
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
    subjectRound: quantile(ratios, 0.5),
    subjectLevel: quantile(levels, 0.5),
    subjectUnread: middle === undefined ? 1 : 0,
    subjectOverRest: middle === undefined || restMiddle === null ? null : over(middle.majorPx) - restMiddle,
    subjectOverBeside: middle === undefined || besides.length === 0 ? null : over(middle.majorPx) - Math.min(...besides),
    line: whole.line,
    lineLength: whole.length,
    disc: whole.disc,
    discWidth: whole.width,
    nearLine: near.line,
    nearLineLength: near.length,
    nearLineLevel: near.line === null || subjectTrace === null ? null : near.line * levelOf(subjectTrace.directionDeg),
    nearLineOverWhole: less(near.line, whole.line),
    nearDisc: near.disc,
    nearDiscWidth: near.width,
    nearDiscOverWhole: less(near.disc, whole.disc),
    discsShare,
    smearsShare,
    smearsAgree: smearsShare * agreement,
    black: Math.log2(reading.blackShare + 0.002),
    dark: share(reading.darkShare, 0.004),
    blocksDark: share(reading.blockDarkShare, 0.01),
    haze: share(reading.hazeShare, 0.01),
    leastHaze: share(reading.leastHazeShare, 0.004),
    noise: Math.log2(reading.noiseSeen + 0.2),
    noiseLeft: reading.noiseLeft === undefined ? null : Math.min(MOST_LEFT, reading.noiseLeft),
    colourNoise: share(reading.colourNoise, 0.15),
  };
}
