import { LONGEST_NAME } from '@roam-dial/core/formats/archive';

/** A file's name as it is kept: one that is too long loses its middle, never its ending, and never half a letter. */
export function keptName(name: string): string {
  if (name.length <= LONGEST_NAME) return name;
  const ending = /\.[^.]{1,12}$/.exec(name)?.[0] ?? '';
  const room = LONGEST_NAME - ending.length - 1;
  let head = '';
  for (const letter of name) {
    if (head.length + letter.length > room) break;
    head += letter;
  }
  return `${head}…${ending}`;
}
