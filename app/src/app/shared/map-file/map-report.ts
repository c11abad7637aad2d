import { counted } from '../../words/counted';
import type { DistrictReport, LeftOut, LeftOutReason, ReadingProgress } from '@roam-dial/core/formats/maps';

export const MAP_READING_WORDS: Readonly<Record<ReadingProgress['doing'], string>> = {
  reading: 'Reading the file',
  joining: 'Joining its lines to outlines',
  building: 'Raising the buildings',
};

const LEFT_OUT: Readonly<Record<LeftOutReason, string>> = {
  cornersMissing: 'because corners of theirs are not in the file',
  notClosed: 'because their outline does not close',
  noArea: 'because they enclose nothing',
  crossesItself: 'because their outline runs through itself',
  noLength: 'because they are streets of no length',
  underItsBase: 'because they end under their base',
  outOfRange: 'because their size or place is out of all measure',
};

/** What a map had, and by what its heights are known. Streets are only spoken of where there are some. */
export function mapReadSentence(
  { givenHeights, levelHeights, assumedHeights, replacedByParts }: DistrictReport,
  defaultHeightM: number,
  streets: number,
): string {
  const words = [
    `${givenHeights} with a height`,
    `${levelHeights} by their levels`,
    `${assumedHeights} assumed ${defaultHeightM} m high`,
  ];
  if (replacedByParts > 0) words.push(`${replacedByParts} outlines replaced by their parts`);
  const ways = streets === 0 ? '' : ` ${counted(streets, 'piece of street', 'pieces of street')} beside them.`;
  return `Read: ${words.join(', ')}.${ways}`;
}

export function leftOutSentence({ reason, count }: LeftOut): string {
  return `${count} left out ${LEFT_OUT[reason]}.`;
}
