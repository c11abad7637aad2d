import type { Approach } from '@roam-dial/core/stop';
import { choiceField, type FieldSpec } from '../../../fields/field-spec';
import {
  DEPTH_CHOICES,
  DEPTH_COSTS,
  EXPOSURE_CHOICES,
  EXPOSURE_COSTS,
  FOCUS_CHOICES,
  FOCUS_COSTS,
  SUPPORT_CHOICES,
  SUPPORT_COSTS,
} from '../../../words/set-up/approaches';

/** What photographers disagree on, each way with what it costs. */
export const APPROACH_FIELDS: readonly FieldSpec<Approach, unknown>[] = [
  choiceField('exposure', 'Exposure', EXPOSURE_CHOICES, { width: 'double', hint: ({ exposure }) => EXPOSURE_COSTS[exposure] }),
  choiceField('focus', 'Focus', FOCUS_CHOICES, { width: 'double', hint: ({ focus }) => FOCUS_COSTS[focus] }),
  choiceField('depth', 'Depth', DEPTH_CHOICES, { width: 'double', hint: ({ depth }) => DEPTH_COSTS[depth] }),
  choiceField('support', 'Support', SUPPORT_CHOICES, { width: 'double', hint: ({ support }) => SUPPORT_COSTS[support] }),
];
