import { type GridCell, type SettingsGrid, type Dial, type FirstLimit, type LimitsGrid, limitsGrid } from '@roam-dial/core/setup';
import type { ManualSettings } from '@roam-dial/core/stop';
import type { FieldPlace, LimitsWords } from './limits-chart';
import type { LimitsFields } from './limits-chart.geometry';
import type { Card } from '../../../state/card/card.store';
import { limitWords } from '../../../words/set-up/limits';
import type { Wording } from '../../../words/wording';

/** The limits chart's data: columns from slow to fast, or by rising ISO or support; rows from the smallest aperture down. */

const SUPPORT_WORDS = ['by hand', 'braced', 'tripod'] as const;

export const DIAL_WORDS: Readonly<Record<Dial['kind'], string>> = {
  slowestAuto: 'the slowest shutter',
  shutter: 'the shutter',
  iso: 'the ISO',
  support: 'the support',
};

function isTime({ kind }: Dial): boolean {
  return kind === 'slowestAuto' || kind === 'shutter';
}

/** Times run from slow on the left to fast, against the order of the marks. */
export function fieldOf({ fNumbers, dial }: Pick<LimitsGrid, 'fNumbers' | 'dial'>, place: Omit<GridCell, 'focus'>): FieldPlace {
  return {
    column: isTime(dial) ? dial.values.length - 1 - place.dial : place.dial,
    row: fNumbers.length - 1 - place.aperture,
  };
}

export function cellOf({ fNumbers, dial }: Pick<LimitsGrid, 'fNumbers' | 'dial'>, field: FieldPlace): Omit<GridCell, 'focus'> {
  return {
    dial: isTime(dial) ? dial.values.length - 1 - field.column : field.column,
    aperture: fNumbers.length - 1 - field.row,
  };
}

export interface LimitsView {
  readonly grid: LimitsGrid;
  readonly fields: LimitsFields;
}

/** SettingsGrid of the core's grid as fields of the chart. */
function fieldsOf(grid: Pick<LimitsGrid, 'fNumbers' | 'dial'>, cells: LimitsGrid['cells']): LimitsFields {
  const [columns, rows] = [grid.dial.values.length, grid.fNumbers.length];
  const fields = Array.from({ length: columns * rows }, (_, k) => {
    const field = { column: k % columns, row: Math.floor(k / columns) };
    const { aperture, dial } = cellOf(grid, field);
    const { chance, limits } = cells[aperture * columns + dial] as LimitsGrid['cells'][number];
    return { ...field, chance, limits };
  });
  return { columns, rows, fields };
}

/** What holds at another light, as fields of the same chart. */
export function fieldsAt({ grid }: LimitsView, { cells }: Pick<FirstLimit, 'cells'>): LimitsFields {
  return fieldsOf(grid, cells);
}

/** `focus` is a place among the focus marks, or null for every field at its best. */
export function limitsView(cells: SettingsGrid, focus: number | null): LimitsView {
  const grid = limitsGrid(cells, focus);
  return { grid, fields: fieldsOf(grid, grid.cells) };
}

export function dialText(dial: Dial, value: number, { kit }: Pick<Card, 'kit'>, wording: Wording): string {
  switch (dial.kind) {
    case 'slowestAuto':
    case 'shutter':
      return wording.shutter(value, kit.body.markStep);
    case 'iso':
      return `ISO ${wording.iso(value, kit.body.markStep)}`;
    case 'support':
      return SUPPORT_WORDS[value] ?? '';
  }
}

export function limitsWords({ grid, fields }: LimitsView, card: Pick<Card, 'kit' | 'input'>, wording: Wording): LimitsWords {
  const { dial, fNumbers } = grid;
  const columns = Array.from({ length: fields.columns }, (_, column) =>
    dialText(dial, dial.values[cellOf(grid, { column, row: 0 }).dial] as number, card, wording),
  );
  const rows = Array.from({ length: fields.rows }, (_, row) =>
    wording.aperture(fNumbers[cellOf(grid, { column: 0, row }).aperture] as number, card.kit.lens.clickStep),
  );
  return {
    columns,
    rows,
    across: DIAL_WORDS[dial.kind],
    limit: (limit) => limitWords(limit, card.input),
    reading: ({ column, row }) => {
      const field = fields.fields[row * fields.columns + column];
      if (field === undefined) return '';
      const held = field.limits.map((limit) => limitWords(limit, card.input));
      const good = `${Math.round(field.chance * 100)} in 100 good`;
      return `${rows[row]}, ${columns[column]}: ${good}; ${held.length === 0 ? 'nothing holds it back' : held.join(', ')}.`;
    },
  };
}

/** The hand's change for a field of the chart; with the field's own best focus where that is what is shown. */
export function handFor({ grid }: LimitsView, field: FieldPlace, isBestFocus: boolean): Partial<ManualSettings> {
  const cell = cellOf(grid, field);
  const mark = grid.dial.values[cell.dial] as number;
  const { place } = grid.cells[cell.aperture * grid.dial.values.length + cell.dial] as LimitsGrid['cells'][number];
  const dial: Partial<ManualSettings> = isTime(grid.dial)
    ? { shutterS: mark }
    : grid.dial.kind === 'iso'
      ? { iso: mark }
      : { support: (['handheld', 'braced', 'tripod'] as const)[mark] ?? 'handheld' };
  return {
    fNumber: grid.fNumbers[cell.aperture] as number,
    ...dial,
    ...(isBestFocus ? { focusM: grid.focusM[place.focus] as number } : {}),
  };
}
