import Papa from 'papaparse';
import { said } from './refusal.js';
import type { CloudByHour } from '../../light/index.js';

export type ReadForecast =
  | { readonly ok: true; readonly cloudByHour: CloudByHour }
  | { readonly ok: false; readonly message: string; readonly where: string | null };

/** A month by the hour, and more than anybody has a forecast for. */
const MOST_ROWS = 1000;

/** A walk's day and the morning after, as `CloudByHour` has them. */
const DAY_HOURS = 24;
const WALK_HOURS = 36;

interface Hour {
  /** `YYYY-MM-DD`; null where only the hour is given. */
  readonly date: string | null;
  readonly hour: number;
}

/** `7`, `07`, `07:00`, `2027-03-13T07:00`: a date if it has one, and the hour of the day. */
function hourOf(text: string): Hour | null {
  const hit = /^(?:(\d{4}-\d{2}-\d{2})[T ]|.*[T ])?(\d{1,2})(?::\d{2})?(?::\d{2})?$/.exec(text.trim());
  const hour = hit === null ? NaN : Number(hit[2]);
  return hour >= 0 && hour < DAY_HOURS ? { date: hit?.[1] ?? null, hour } : null;
}

const dayNumber = (date: string): number => Math.round(Date.parse(`${date}T00:00:00Z`) / 86_400_000);

/**
 * Hours of the walk, 0 to 35, one for each row; below 0 or over that for those of other days. Rows without a date are of the
 * day, and from where an hour is earlier than the one before it of the next.
 */
function hoursOfWalk(hours: readonly Hour[], day: string | null): number[] {
  const first = day ?? hours.find(({ date }) => date !== null)?.date ?? null;
  let turned = 0;
  return hours.map(({ date, hour }, k) => {
    if (date !== null && first !== null) return hour + DAY_HOURS * (dayNumber(date) - dayNumber(first));
    if (hour < (hours[k - 1]?.hour ?? 0)) turned++;
    return hour + DAY_HOURS * turned;
  });
}

/** `0.4` and `40 %` and, where any figure is over 1, `40`: cloud as a share. */
function sharesOf(cells: readonly string[]): (number | null)[] {
  const numbers = cells.map((cell) => {
    const text = cell.trim();
    const number = Number(text.replace('%', '').replace(',', '.').trim());
    return text === '' || !Number.isFinite(number) ? null : { number, isPercent: text.includes('%') };
  });
  // A figure over 1 without a sign says that those without one are per cent; what has its sign says nothing of the others.
  const arePercent = numbers.some((one) => one !== null && !one.isPercent && one.number > 1);
  return numbers.map((one) => {
    if (one === null) return null;
    const share = one.isPercent || arePercent ? one.number / 100 : one.number;
    return share >= 0 && share <= 1 ? share : null;
  });
}

/**
 * A forecast of one's own: a row an hour with the hour and the cloud (a share or per cent), a heading or not. Of rows with
 * dates those count that are of the walk's day (of the first date without one) and of the next morning. Hours between two rows
 * are straight lines; before the first and after the last those hold. 24 figures, or 36 where the next morning is known.
 */
export function readForecast(text: string, day: string | null = null): ReadForecast {
  const { data, errors } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: true, preview: MOST_ROWS + 2 });
  const [error] = errors.filter(({ code }) => code !== 'UndetectableDelimiter');
  if (error !== undefined)
    return { ok: false, message: `The file is no CSV: ${error.message}`, where: `line ${(error.row ?? 0) + 1}` };
  const hasHeading = hourOf(data[0]?.[0] ?? '') === null;
  const rows = hasHeading ? data.slice(1) : data;
  if (rows.length > MOST_ROWS)
    return { ok: false, message: `The file has more than ${MOST_ROWS} rows: a forecast has one an hour.`, where: null };
  if (rows.length === 0) return { ok: false, message: 'The file has no row with an hour and a cloud.', where: null };
  const shares = sharesOf(rows.map((row) => row[1] ?? ''));
  const read: (Hour & { readonly share: number })[] = [];
  for (const [k, row] of rows.entries()) {
    const where = `line ${k + (hasHeading ? 2 : 1)}`;
    const hour = hourOf(row[0] ?? '');
    if (hour === null) return { ok: false, message: `${said(row[0] ?? '')} is no hour from 0 to 23.`, where };
    const share = shares[k] ?? null;
    if (share === null) return { ok: false, message: `${said(row[1] ?? '')} is no cloud from 0 to 1, or to 100 %.`, where };
    read.push({ ...hour, share });
  }
  const known = new Map(hoursOfWalk(read, day).map((hour, k) => [hour, read[k]?.share ?? 0]));
  if (![...known.keys()].some((hour) => hour >= 0 && hour < WALK_HOURS))
    return { ok: false, message: `The file says nothing about ${day ?? 'that day'}.`, where: null };
  return { ok: true, cloudByHour: filled(known) };
}

function filled(known: ReadonlyMap<number, number>): number[] {
  const hours = [...known.keys()].sort((a, b) => a - b);
  const length = hours.some((hour) => hour >= DAY_HOURS) ? WALK_HOURS : DAY_HOURS;
  return Array.from({ length }, (_, hour) => {
    const before = hours.filter((one) => one <= hour).at(-1);
    const after = hours.find((one) => one >= hour);
    const [from, to] = [before ?? after ?? 0, after ?? before ?? 0];
    const [low, high] = [known.get(from) ?? 0, known.get(to) ?? 0];
    return from === to ? low : low + ((hour - from) / (to - from)) * (high - low);
  });
}
