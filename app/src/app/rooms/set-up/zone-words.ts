import { type Intent, type Subject, zoneLawOf } from '@roam-dial/core/stop';
import type { Wording } from '../../words/wording';

/** `people at 3 m, nine in ten from 2 to 4.5 m`; `all of it, 3 to 40 m`. */
export function zoneWords({ intent, subject }: { readonly intent: Intent; readonly subject: Subject }, wording: Wording): string {
  const range = wording.range(subject.nearM, subject.farM);
  if (zoneLawOf({ intent, subject }) === 'allOfIt') return `all of it, ${range}`;
  if (subject.spread === 0) return `guessed at ${wording.distance(subject.medianM)}`;
  return `people at ${wording.distance(subject.medianM)}, nine in ten from ${range}`;
}
