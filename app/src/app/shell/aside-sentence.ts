import type { CollectionName } from '@roam-dial/core/formats/archive';
import type { SetAside } from '../storage/rows/stored-form';

const WORDS: Readonly<Record<CollectionName, readonly [one: string, many: string]>> = {
  kit: ['kit item', 'kit items'],
  standard: ['standard', 'standards'],
  settings: ['settings', 'settings'],
  walks: ['walk', 'walks'],
  districts: ['district', 'districts'],
  outings: ['completed walk', 'completed walks'],
  returns: ['return', 'returns'],
  logs: ['walk log', 'walk logs'],
  frames: ['frame', 'frames'],
};

/** `1 walk and 2 kit items could not be read and are left out: walk “w1”, stops[0].subject is required.` */
export function asideSentence(aside: readonly SetAside[]): string {
  const [first] = aside;
  if (first === undefined) return '';
  const counts = new Map<CollectionName, number>();
  for (const { collection } of aside) counts.set(collection, (counts.get(collection) ?? 0) + 1);
  const words = [...counts].map(([collection, count]) => `${count} ${WORDS[collection][count === 1 ? 0 : 1]}`);
  const name = (first.data as { readonly name?: unknown } | null)?.name;
  const called = typeof name === 'string' && name !== '' ? name : first.id;
  return `${words.join(' and ')} could not be read and ${aside.length === 1 ? 'is' : 'are'} left out: “${called}”, ${first.problem}.`;
}
