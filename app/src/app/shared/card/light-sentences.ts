import { INTENT_NAMES } from '@roam-dial/core/stop';
import type { Card } from '../../state/card/card.store';
import { stopsText } from '../../words/walk/stops';
import { missingWords, pictureLightWords } from '../../words/windows';
import type { Wording } from '../../words/wording';
import { stayOn } from '../../words/walk/times';

/** What a card says of its moment: which minute, whose light, and whether that is the light of the picture. */

/** What is metered, as it is lit. */
function surfaceWords({ light }: Pick<Card, 'light'>): string {
  const isDay = light.sun.altitudeDeg > 0;
  const dim = isDay ? 'in the shade' : light.lampsOn ? 'under the lamps' : 'after sundown';
  switch (light.surface) {
    case 'litPerson':
      return 'People in the sun';
    case 'cameraSide':
      return light.isLit ? 'People against the sun' : `People ${dim}`;
    case 'litGround':
      return 'Sunlit ground';
    case 'shade':
      return light.isLit ? 'The shade' : `The ground ${dim}`;
    case 'sky':
      return 'The sky in the frame';
    case 'litWall':
      return 'The sunlit wall';
    case 'shadedWall':
      return isDay ? 'The shaded wall' : `The wall ${dim}`;
    case 'lamps':
      return 'The street under its lamps';
    case 'screen':
      return light.lampsOn ? 'The bright backdrop' : 'The backdrop, its light off';
  }
}

/** Which stop, when one stands there, and the minute whose light all of the card is. */
export function headline(card: Card, wording: Wording): string {
  const { walk, stop, stopIndex, minuteOfDay } = card;
  const stay = stayOn(walk, stop, wording);
  const at = `light at ${wording.clock(minuteOfDay)}`;
  return isWithinStay(card)
    ? `Stop ${stopIndex + 1} · ${stay} · ${at}`
    : `Stop ${stopIndex + 1} · ${at}, outside your stay from ${stay}`;
}

export function isWithinStay({ stop, minuteOfDay }: Pick<Card, 'stop' | 'minuteOfDay'>): boolean {
  return stop.arriveMin <= minuteOfDay && minuteOfDay <= stop.leaveMin;
}

/** Outside the light of its picture, when that comes or what it lacks; null within it, or before it is measured. */
export function notItsLightSentence({ pictureLight, minuteOfDay }: Card, wording: Wording): string | null {
  if (pictureLight === null || pictureLight.kind === 'open') return null;
  const words = `${pictureLightWords(pictureLight, minuteOfDay, wording)}.`;
  const missing = pictureLight.kind === 'never' ? pictureLight.missing : null;
  return missing === null ? words : `${words} ${missingWords(missing, wording)}`;
}

/** A correction this large, where no walls are known, is shade that nobody has told of. */
const SHADE_BY_READING_EV = 2;

/** Where the light that was asked for, or read, is not the light that is calculated. */
export function otherLightSentence({ stop, light, knowsWalls }: Card): string | null {
  const { intent } = stop;
  const isBehind = light.surface === 'litWall' || light.surface === 'shadedWall' || light.surface === 'litGround';
  if (intent.kind === 'silhouette' && intent.background === 'sky' && isBehind) {
    const what = { litWall: 'a sunlit wall', shadedWall: 'a wall', litGround: 'sunlit ground' }[light.surface as 'litWall'];
    return `You asked for the sky behind them; from here it is ${what} that shows them up best, and the card meters that.`;
  }
  if (!knowsWalls && light.isLit && light.contrastEv > SHADE_BY_READING_EV && light.readingOffsetEv <= -SHADE_BY_READING_EV) {
    return intent.kind === 'passingCandid'
      ? 'You read far less light than full sun: if they walk in the shade, choose “in the shade” with the picture.'
      : 'You read far less light than full sun: give the walls here, so that sun and shade can be told apart.';
  }
  return null;
}

/** What the picture is and what the light on it comes to. */
export function cardLightSentence(card: Card, wording: Wording): string {
  const { stop, light } = card;
  const contrast = light.isLit && light.contrastEv >= 1 ? `, ${stopsText(light.contrastEv, wording)} above the shade` : '';
  const offset = light.readingOffsetEv;
  const corrected =
    offset === 0 ? '' : `, ${stopsText(offset, wording)} ${offset > 0 ? 'brighter' : 'darker'} than calculated, by your reading`;
  return `${INTENT_NAMES[stop.intent.kind]}. ${surfaceWords(card)}: EV ${wording.ev(light.keyEv100)}${contrast}${corrected}.`;
}
