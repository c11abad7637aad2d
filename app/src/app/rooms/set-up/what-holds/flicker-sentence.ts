import { flickerAdvice } from '@roam-dial/core/setup';
import type { Card } from '../../../state/card/card.store';
import type { Wording } from '../../../words/wording';

/** Which times are safe under the lamps of a stop; null under steady light. */
export function flickerSentence({ input, kit }: Pick<Card, 'input' | 'kit'>, wording: Wording): string | null {
  const advice = flickerAdvice(input);
  if (advice === null) return null;
  const say = (seconds: number): string => wording.shutter(seconds, kit.body.markStep);
  const { safeS, allSafeFromS, bands, pulseHz } = advice;
  const single = safeS.filter((time) => allSafeFromS === null || time < allSafeFromS).map(say);
  const from = allSafeFromS === null ? [] : [`${say(allSafeFromS)} or slower`];
  const safe = [...single, ...from];
  const said = safe.length === 0 ? 'no time is safe' : `safe are ${safe.join(', ')}`;
  const banded = bands === null || bands < 0.5 ? '' : ` A faster one shows ${bands.toFixed(1)} bands over the frame.`;
  const wanted = input.shooting?.wantsGlitch === true ? ' You want the glitch, so nothing is lost by it.' : '';
  return `This light pulses ${Math.round(pulseHz)} times a second: ${said}.${banded}${wanted}`;
}
