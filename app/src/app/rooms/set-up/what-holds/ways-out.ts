import type { WayOut, WayOutResult } from '@roam-dial/core/setup';
import { INTENT_NAMES } from '@roam-dial/core/stop';
import type { Card } from '../../../state/card/card.store';
import { DEPTH_CHOICES, EXPOSURE_CHOICES, FOCUS_CHOICES } from '../../../words/set-up/approaches';
import type { Wording } from '../../../words/wording';

const SUPPORT_WORDS = { handheld: 'By hand', braced: 'Brace on something', tripod: 'Put it on the tripod' } as const;

function labelOf(choices: readonly { readonly value: string; readonly label: string }[], value: string): string {
  return choices.find((choice) => choice.value === value)?.label ?? value;
}

/** What to do otherwise, as one would say it. */
export function wayText(way: WayOut, { kit }: Pick<Card, 'kit'>, wording: Wording): string {
  switch (way.kind) {
    case 'support':
      return SUPPORT_WORDS[way.support];
    case 'distance':
      return `${way.times < 1 ? 'Nearer' : 'Farther'}, ${wording.distance(way.medianM)}: a person fills ${wording.percent(way.heightShare)} of the frame’s height`;
    case 'lens':
      return `${way.name} at ${Number(way.focalLengthMm.toFixed(1))} mm`;
    case 'isoCeiling':
      return `Let the ISO rise to ${wording.iso(way.iso, kit.body.markStep)}`;
    case 'burst':
      return `A burst of ${way.frames}`;
    case 'approach': {
      const { exposure, focus, depth } = way.change;
      if (exposure !== undefined) return labelOf(EXPOSURE_CHOICES, exposure);
      return focus === undefined ? labelOf(DEPTH_CHOICES, depth ?? 'free') : labelOf(FOCUS_CHOICES, focus);
    }
    case 'intent':
      return `Another picture: ${INTENT_NAMES[way.intent]}`;
  }
}

/** What it takes in ISO. */
export function wayCost({ isoStopsMore }: WayOutResult, wording: Wording): string {
  const thirds = Math.round(isoStopsMore * 3) / 3;
  if (Math.abs(thirds) < 0.1) return 'same ISO';
  const stops = wording.stops(Math.abs(thirds), 'third').replace('+', '');
  return `${stops} ${Math.abs(thirds) <= 1 ? 'stop' : 'stops'} ${thirds > 0 ? 'more' : 'less'} ISO`;
}
