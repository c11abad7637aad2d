import type { WayOut } from '@roam-dial/core/setup';
import { DEFAULT_SHOOTING, scaledZone } from '@roam-dial/core/stop';
import type { Card } from '../card/card.store';
import { changeStandard } from '../kit/edits';
import type { WorkspaceChange } from '../workspace/lists';
import { changeStop, withIntent } from './stop.edits';

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
