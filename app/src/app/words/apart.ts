import type { Apart } from '@roam-dial/core/plan';
import type { Wording } from './wording';

/** How far, in words: "512 km". */
function far(distanceM: number, wording: Wording): string {
  const text = wording.walkLength(Math.round(distanceM / 1000) * 1000);
  return text.replace(/\.0(?= )/, '');
}

/** What lies too far apart for one walk, as one would say it. */
export function apartSentence(apart: Apart, wording: Wording): string {
  const distance = far(apart.distanceM, wording);
  switch (apart.kind) {
    case 'walkFromMap':
      return `The map lies ${distance} from the walk’s place.`;
    case 'stopFromMap':
      return `This stop lies ${distance} from the map.`;
    case 'stopFromWalk':
      return `This stop lies ${distance} from the walk’s place.`;
  }
}

/** The same in the two words that a list has room for. */
export function apartNote({ distanceM }: Apart, wording: Wording): string {
  return `${far(distanceM, wording)} away`;
}
