/** How a stored number is typed, shown and stepped. */
export type NumberKind =
  /** In its own unit. */
  | 'number'
  /** 0..1, shown in per cent. */
  | 'share'
  /** Degrees from true north, round and round. */
  | 'bearing'
  /** Minutes from midnight, shown as a time of day. */
  | 'clock'
  /** Metres, shown in the person's unit of length. */
  | 'distance'
  /** Marks of a dial or ring. */
  | 'aperture'
  | 'shutter'
  | 'iso'
  | 'stops'
  | 'ev';

/** What a file may hold beyond what anybody types: of old versions, and of other programs. */
export interface FileBounds {
  readonly low?: number;
  /** In place of `low`, which is then none of them. */
  readonly above?: number;
  readonly high?: number;
}

/**
 * One row of a stored number: the field that takes it, the schema that reads it and the step that changes it all look here, so
 * that nothing comes in from a file that a press of "more" would make less, and nothing is typed that a file may not hold.
 */
export interface NumberField {
  readonly kind: NumberKind;
  readonly low: number;
  readonly high: number;
  /** One press of more or less; of marks, times and distances their own. */
  readonly step?: number;
  readonly decimals?: number;
  readonly unit?: string;
  /** Whole numbers alone. */
  readonly isWhole?: true;
  /** What a new one starts with, where that does not depend on others. */
  readonly first?: number;
  readonly inFiles?: FileBounds;
}

type NumberKeys<Row> = { [Key in keyof Row]-?: NonNullable<Row[Key]> extends number ? Key : never }[keyof Row];

/** A row for every number that is stored of a type, so that none is added without. */
export type FieldsOf<Row> = Readonly<Required<Record<NumberKeys<Row>, NumberField>>>;

/** The numbers that a new one starts with, of the rows that say so. */
export function firstOf<Key extends string>(
  fields: Readonly<Record<Key, NumberField & { readonly first: number }>>,
): Record<Key, number> {
  return Object.fromEntries(Object.entries<NumberField>(fields).map(([key, { first }]) => [key, first])) as Record<Key, number>;
}

/** Minutes from midnight. */
export const CLOCK_FIELD = { kind: 'clock', low: 0, high: 1439, isWhole: true } as const satisfies NumberField;
/** Minutes of a walk: to noon of the next day. */
export const WALK_CLOCK_FIELD = { kind: 'clock', low: 0, high: 2159, isWhole: true } as const satisfies NumberField;
/** Degrees clockwise from true north. */
export const BEARING_FIELD = { kind: 'bearing', low: 0, high: 360, first: 0 } as const satisfies NumberField;
/** 0..1, all of it. */
export const SHARE_FIELD = { kind: 'share', low: 0, high: 1 } as const satisfies NumberField;
/** Stops as a file may hold them, whatever a field takes. */
export const STOPS_IN_FILES = { low: -20, high: 20 } as const satisfies FileBounds;
/** Times as a file may hold them. */
export const SHUTTER_IN_FILES = { above: 0, high: 7200 } as const satisfies FileBounds;
export const ISO_IN_FILES = { low: 1, high: 10_000_000 } as const satisfies FileBounds;
export const APERTURE_IN_FILES = { low: 0.5, high: 128 } as const satisfies FileBounds;
export const FOCAL_LENGTH_IN_FILES = { low: 1, high: 3000 } as const satisfies FileBounds;
