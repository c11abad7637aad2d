/** Tables of what frames were taken for. */
const LOOKS = ['shake', 'moved', 'focus', 'depth', 'veil', 'noise', 'good', 'cannotTell'];
const expected = (fault) => (fault === 'untouched' ? 'good' : fault);
export const isRight = ({ fault, look }) => look === expected(fault);
const isTold = ({ look }) => look !== 'cannotTell';

const groups = (all, keyOf) => {
  const found = {};
  for (const one of all) (found[keyOf(one)] ??= []).push(one);
  return found;
};
const share = (part, whole) => (whole === 0 ? '–' : `${Math.round((100 * part) / whole)} %`);

function confusion(all) {
  const rows = groups(all, ({ fault }) => fault);
  return Object.fromEntries(
    Object.entries(rows).map(([fault, list]) => {
      const told = list.filter(isTold);
      const counts = Object.fromEntries(LOOKS.map((look) => [look, list.filter((one) => one.look === look).length || '']));
      return [fault, { ...counts, of: list.length, right: share(told.filter(isRight).length, told.length) }];
    }),
  );
}

const rightIn = (all, keyOf) =>
  Object.fromEntries(
    Object.entries(groups(all, keyOf))
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([key, list]) => {
        const told = list.filter(isTold);
        const right = told.filter(isRight).length;
        return [key, { of: list.length, told: told.length, right, share: share(right, told.length) }];
      }),
  );

const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;
const apartDeg = (a, b) => Math.abs(((((a - b) % 180) + 270) % 180) - 90);

/** Lengths and directions of straight smears against the truth, where one was read. */
function smears(all) {
  const straight = all.filter(({ lengthPx }) => lengthPx !== undefined);
  return Object.fromEntries(
    Object.entries(groups(straight, ({ fault }) => fault)).map(([fault, list]) => {
      const read = list.filter(({ smear }) => smear !== null);
      const close = read.filter(({ smear, lengthPx }) => Math.abs(smear.lengthPx - lengthPx) <= Math.max(1.5, 0.15 * lengthPx));
      const along = read.filter(({ smear, directionDeg }) => apartDeg(smear.directionDeg, directionDeg) <= 6);
      const ratio = median(read.map(({ smear, lengthPx }) => smear.lengthPx / lengthPx));
      return [
        fault,
        {
          of: list.length,
          read: read.length,
          'median ratio': +ratio.toFixed(2),
          'length right': share(close.length, read.length),
          'within 6°': share(along.length, read.length),
        },
      ];
    }),
  );
}

export function report(all) {
  const told = all.filter(isTold);
  console.log(
    `${told.filter(isRight).length} of ${told.length} right (${share(told.filter(isRight).length, told.length)}), ${all.length - told.length} of ${all.length} not told`,
  );
  console.table(confusion(all));
  console.table(rightIn(all, ({ kind }) => kind));
  console.table(rightIn(told, ({ confidence }) => (Math.floor(Math.min(0.999, confidence) * 10) / 10).toFixed(1)));
  console.table(smears(all));
}
