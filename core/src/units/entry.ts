/** What a field holds, so that the same keys mean the right thing: `250` is a shutter's denominator and an ISO. */
import type { StopStep } from './marks.js';

export type LengthUnit = 'metres' | 'feet';

export type EntryKind =
  | { readonly kind: 'aperture'; readonly step: StopStep }
  | { readonly kind: 'shutter'; readonly step: StopStep }
  | { readonly kind: 'iso'; readonly step: StopStep }
  | { readonly kind: 'distance'; readonly unit: LengthUnit }
  | { readonly kind: 'stops'; readonly step: StopStep }
  | { readonly kind: 'ev'; readonly step: StopStep };

export type Parsed = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly message: string };

export const INCHES_PER_METRE = 1 / 0.0254;
