const FEET_M = 0.3048;
const LONGEST_TEXT = 40;

/** `12`, `12.5 m`, `40 ft`, `40'`; null for what is no length above 0. */
export function parseHeightM(value: unknown): number | null {
  if (typeof value === 'number') return value > 0 && Number.isFinite(value) ? value : null;
  if (typeof value !== 'string' || value.length > LONGEST_TEXT) return null;
  const hit = /^(\d+(?:[.,]\d+)?) ?(m|metres|meters|ft|feet|')?$/i.exec(value.trim());
  if (hit === null) return null;
  const number = Number((hit[1] as string).replace(',', '.'));
  const metres = /^(ft|feet|')$/i.test(hit[2] ?? '') ? number * FEET_M : number;
  return metres > 0 ? metres : null;
}

export const toMillimetres = (metres: number): number => Math.round(metres * 1000) / 1000;
