import {
  type Blur,
  type BlurTrace,
  type Evidence,
  type FrameMeant,
  type FrameLook,
  smearOf,
  type SoftnessVerdict,
} from '@roam-dial/core/log';
import { VERDICT_WORDS } from '../../../words/log';

const px = (value: number): string => `${value.toFixed(1)} px`;
const percent = (share: number): string => `${Math.round(100 * share)} %`;
const degrees = (deg: number): string => `${Math.round(deg) % 180}°`;

/** From here on a verdict is clear, and from here on it is probable. */
const CLEAR_FROM = 0.85;
const PROBABLE_FROM = 0.65;

/** `Probably camera shake`: how sure a verdict is, in three steps. */
export function seemsWords({ looksLike, confidence }: Pick<SoftnessVerdict, 'looksLike' | 'confidence'>): string {
  if (looksLike === 'cannotTell') return 'Cannot tell';
  const how = confidence >= CLEAR_FROM ? 'Clearly' : confidence >= PROBABLE_FROM ? 'Probably' : 'Perhaps';
  return `${how} ${VERDICT_WORDS[looksLike]}`;
}

const along = ({ lengthPx, directionDeg }: BlurTrace): string => ` by ${px(lengthPx)} along ${degrees(directionDeg)}`;

/** What speaks most for a verdict, in one sentence. */
export function reasonSentence(looksLike: FrameLook, evidence: Evidence): string {
  const { subject, sharpPx, sharpShare, softShare, isTurn, noiseSeen, blackShare } = evidence;
  const smear = smearOf(looksLike, evidence);
  const blur = subject === null ? '' : `, a blur of ${px(subject.majorPx)} where up to ${px(sharpPx)} counts as sharp`;
  const reasons: Readonly<Record<FrameLook, string>> = {
    shake: isTurn ? 'Everything is smeared around one point.' : `Everything is smeared${smear === null ? '' : along(smear)}.`,
    moved: `The subject is smeared${smear === null ? blur : along(smear)}; ${percent(sharpShare)} of the rest is sharp.`,
    focus: `The subject is out of focus${blur}.`,
    depth: `The subject is sharp enough; ${percent(softShare)} of the rest is out of focus.`,
    veil: `Nothing is really black: the darkest tones are at ${percent(blackShare)} of the mean.`,
    noise: `Noise of ${noiseSeen.toFixed(1)} in 255.`,
    good:
      subject === null || subject.majorPx > sharpPx
        ? 'Little in it is soft or smeared.'
        : `The subject is sharp: a blur of ${px(subject.majorPx)}.`,
    cannotTell: 'Too little detail to measure, or several faults at once.',
  };
  return reasons[looksLike];
}

/** The likelihoods of all that it might be, the likeliest first; what is out of the question is left out. */
export function likelihoodWords({ shares }: Pick<SoftnessVerdict, 'shares'>): string {
  return (Object.entries(shares) as [Exclude<FrameLook, 'cannotTell'>, number][])
    .filter(([, share]) => share >= 0.01)
    .sort(([, a], [, b]) => b - a)
    .map(([look, share]) => `${VERDICT_WORDS[look]} ${percent(share)}`)
    .join(', ');
}

/** What the plan has to do with a verdict. */
export function meantSentences({ depth }: Pick<FrameMeant, 'depth'>): readonly string[] {
  return depth === 'isolating' ? ['The card asks for a soft background, so that is no fault here.'] : [];
}

/** What speaks for a verdict, in the order in which one would look: the subject, the rest, the tones. */
export function evidenceSentences(
  { subject, sharpPx, sharpShare, smearedShare, softShare, agreement, isTurn, noiseSeen, blackShare, tiles }: Evidence,
  atFull: Blur | null = null,
): readonly string[] {
  const ofSubject =
    subject === null
      ? 'There is too little detail at the subject to measure.'
      : subject.majorPx <= sharpPx
        ? `The subject is sharp: blur of ${px(subject.majorPx)} (up to ${px(sharpPx)} still counts as sharp).`
        : `The subject is soft: blur of ${px(subject.majorPx)} along ${Math.round(subject.directionDeg)}°, ${px(subject.minorPx)} across.`;
  const ofRest =
    tiles === 0
      ? 'Nothing else in the picture can be measured.'
      : `Elsewhere: ${percent(sharpShare)} sharp, ${percent(smearedShare)} motion-blurred, ${percent(softShare)} out of focus.`;
  const way = isTurn ? 'rotates around one point' : 'runs one way';
  const ofSmears = smearedShare < 0.15 || agreement < 0.6 ? [] : [`The blur ${way}.`];
  const ofFull = atFull === null ? [] : [`At full size the blur there is ${px(atFull.majorPx)}.`];
  return [
    ofSubject,
    ...ofFull,
    ofRest,
    ...ofSmears,
    `Noise ${noiseSeen.toFixed(1)} of 255; darkest tones at ${percent(blackShare)} of the mean.`,
  ];
}
