import { DEFAULT_SHOOTING, INTENT_NAMES, scaledZone, type WayOut, type WayOutResult } from '@roam-dial/core';
import type { Card } from '../../state/card.store';
import { changeStandard, changeStop, withIntent, type WorkspaceChange } from '../../state/edits';
import { DEPTH_CHOICES, EXPOSURE_CHOICES, FOCUS_CHOICES } from '../../wording/approaches';
import type { Wording } from '../../wording/wording';

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

/** Does it: on the stop, or for the ceiling in the standard. What the hand had chosen before is dropped. */
export function takeWayOut({ walk, stop, input, kit }: Card, way: WayOut): WorkspaceChange {
  const onStop = (change: Parameters<typeof changeStop>[2]): WorkspaceChange =>
    changeStop(walk.id, stop.id, ({ hand: _, ...one }) => change(one));
  switch (way.kind) {
    case 'support':
      return onStop((one) => ({ ...one, approach: { ...input.approach, support: way.support } }));
    case 'approach':
      return onStop((one) => ({ ...one, approach: { ...input.approach, ...way.change } }));
    case 'distance':
      return onStop((one) => ({ ...one, subject: scaledZone(one.subject, way.times) }));
    case 'lens':
      return onStop((one) => ({ ...one, lensId: way.lensId, focalLengthMm: way.focalLengthMm }));
    case 'burst':
      return onStop((one) => ({ ...one, shooting: { ...(one.shooting ?? DEFAULT_SHOOTING), burstFrames: way.frames } }));
    case 'intent':
      return onStop((one) => withIntent(one, way.intent));
    case 'isoCeiling':
      return changeStandard((standard) => ({
        ...standard,
        isoCeilingByBody: { ...standard.isoCeilingByBody, [kit.body.id]: way.iso },
      }));
  }
}
