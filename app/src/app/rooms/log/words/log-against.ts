import type { AgainstCard, LightFound, Misses, MissStretch, MissWhere } from '@roam-dial/core/log';
import { EXPOSURE_CHOICES, FOCUS_CHOICES, SUPPORT_CHOICES } from '../../../words/set-up/approaches';
import { labelIn } from '../../../words/choices';
import { counted } from '../../../words/counted';
import { VERDICT_WORDS } from '../../../words/log';
import type { Wording } from '../../../words/wording';
import { capital } from '../../../words/capital';

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** `5 good of 9; the card predicted 6.2 (4 to 8 by chance)`. */
export function againstSentences({ frames, judged, good, expected }: AgainstCard): readonly string[] {
  const first =
    judged === frames
      ? `${counted(frames, 'frame', 'frames')}, ${good} good.`
      : `${counted(frames, 'frame', 'frames')}, ${judged === 0 ? 'none marked yet' : `${good} good of ${judged} marked`}.`;
  if (expected === null) return [first];
  const { mean, low, high } = expected;
  const isWithin = good >= low && good <= high;
  const verdict = isWithin
    ? ''
    : good > high
      ? ' You did better than that: the card is too cautious here.'
      : ' You did worse than that: something spoils more frames than the card expects.';
  return [first, `The card predicted ${mean.toFixed(1)} (${low} to ${high} by chance).${verdict}`];
}

/** An offset that its frames cannot carry is said to be none to go by. */
export function lightSentence({ offsetEv, spreadEv, isSure, frames }: LightFound, wording: Wording): string {
  const size = wording.stops(Math.round(offsetEv * 3) / 3, 'third');
  const way = Math.abs(offsetEv) < 1 / 6 ? 'The light matched the model' : `The light was ${size} EV off the model`;
  const by = `${counted(frames, 'frame', 'frames')}, within ${spreadEv.toFixed(1)} stops`;
  return isSure ? `${way} (${by}).` : `${way} (${by}), but the frames differ too much to rely on.`;
}

/** Settings that frames can say; of a film's most are not known. */
export function departureRows({ departures }: AgainstCard): readonly {
  readonly label: string;
  readonly stops: readonly number[];
  readonly less: string;
  readonly more: string;
}[] {
  const rows = [
    { label: 'Shutter', stops: departures.shutter, less: 'faster', more: 'slower' },
    { label: 'Aperture', stops: departures.aperture, less: 'smaller', more: 'wider' },
    { label: 'ISO', stops: departures.iso, less: 'lower', more: 'higher' },
    { label: 'Focus', stops: departures.focus, less: 'nearer', more: 'farther' },
  ];
  return rows.filter(({ stops }) => stops.length > 0);
}

export function totalSentence({ decided, misses, causes }: Misses): string {
  if (decided === 0) return 'None of these frames is marked yet: mark them on the sheet.';
  const [first] = causes;
  const missed = `${misses} of ${decided} missed`;
  if (misses === 0) return `All ${decided} marked frames are good.`;
  if (first === undefined) return `${missed}, none for a reason visible in the picture.`;
  const mostly = first.share > 0.5 && first.misses >= 5 ? `, mostly: ${VERDICT_WORDS[first.cause]}` : '';
  return `${missed}${mostly}.`;
}

function betweenWords({ side, from, to }: Extract<MissWhere, { readonly from: number }>, wording: Wording): string {
  const clock = (hour: number): string => wording.clock(Math.min(1439, Math.round(hour * 60)));
  const mm = (length: number): string => `${length} mm`;
  const between = (low: string, high: string): string =>
    from === 0 ? `below ${high}` : to === Infinity ? `from ${low} on` : `from ${low} to ${high}`;
  const where: Readonly<Record<typeof side, () => string>> = {
    shutter: () =>
      `at ${from === 0 ? `${wording.shutter(to, 'third')} and faster` : to === Infinity ? `${wording.shutter(from, 'third')} and slower` : `about ${wording.shutter(Math.sqrt(from * to), 'third')}`}`,
    distance: () => between(wording.distance(from), wording.distance(to)),
    hour: () => `between ${clock(from)} and ${to === 24 ? 'midnight' : clock(to)}`,
    lens: () => between(mm(from), mm(to)),
  };
  return where[side]();
}

function whereWords(where: MissWhere, wording: Wording): string {
  switch (where.side) {
    case 'exposure':
      return labelIn(EXPOSURE_CHOICES, where.way);
    case 'focus':
      return labelIn(FOCUS_CHOICES, where.way);
    case 'support':
      return labelIn(SUPPORT_CHOICES, where.way);
    default:
      return betweenWords(where, wording);
  }
}

function stretchWords({ where, frames, misses, otherFrames, otherMisses }: MissStretch, wording: Wording): string {
  return `${whereWords(where, wording)}: ${misses} of ${frames}, elsewhere ${otherMisses} of ${otherFrames}`;
}

/** Each cause with its share, and where the numbers say that it lies together. */
export function missSentences(
  { causes }: Misses,
  wording: Wording,
): readonly { readonly cause: string; readonly words: string; readonly where: readonly string[] }[] {
  return causes.map(({ cause, misses, share, stretches }) => ({
    cause,
    words: `${capital(VERDICT_WORDS[cause])}: ${misses}, ${percent(share)} of the misses.`,
    where: stretches.slice(0, 2).map((one) => `${capital(stretchWords(one, wording))}.`),
  }));
}
