/**
 * Argument checks for the public doors of the core. Type first (`TypeError`), then range
 * (`RangeError`); both name the parameter, what is allowed and the value that came.
 */

export function describeValue(value: unknown): string {
  if (typeof value === 'string') return JSON.stringify(value);
  if (value instanceof Date) return `Date(${String(value.getTime())})`;
  if (Array.isArray(value)) return `an array of ${value.length}`;
  if (typeof value === 'object' && value !== null) return 'an object';
  return String(value);
}

function typeError(name: string, allowed: string, value: unknown): TypeError {
  return new TypeError(`${name} must be ${allowed}, got ${describeValue(value)}`);
}

export function rangeError(name: string, allowed: string, value: unknown): RangeError {
  return new RangeError(`${name} must be ${allowed}, got ${describeValue(value)}`);
}

function isNumber(value: unknown): value is number {
  return typeof value === 'number' && !Number.isNaN(value);
}

/** Any options object; arrays and null are not. */
export function checkOptions(name: string, value: unknown): void {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) throw typeError(name, 'an object', value);
}

export function checkArray(name: string, value: unknown): asserts value is readonly unknown[] {
  if (!Array.isArray(value)) throw typeError(name, 'an array', value);
}

export function checkFinite(name: string, value: unknown): asserts value is number {
  if (!isNumber(value)) throw typeError(name, 'a finite number', value);
  if (!Number.isFinite(value)) throw rangeError(name, 'a finite number', value);
}

export function checkPositive(name: string, value: unknown): asserts value is number {
  const allowed = 'a finite number greater than 0';
  if (!isNumber(value)) throw typeError(name, allowed, value);
  if (!Number.isFinite(value) || value <= 0) throw rangeError(name, allowed, value);
}

/** A length that may also be `Infinity`, as a focus distance may. */
export function checkPositiveOrInfinity(name: string, value: unknown): asserts value is number {
  const allowed = 'a number greater than 0 or Infinity';
  if (!isNumber(value)) throw typeError(name, allowed, value);
  if (value <= 0) throw rangeError(name, allowed, value);
}

export function checkBetween(name: string, value: unknown, low: number, high: number): asserts value is number {
  const allowed = `a number from ${low} to ${high}`;
  if (!isNumber(value)) throw typeError(name, allowed, value);
  if (value < low || value > high) throw rangeError(name, allowed, value);
}

export function checkAtLeast(name: string, value: unknown, low: number): asserts value is number {
  const allowed = `a finite number of at least ${low}`;
  if (!isNumber(value)) throw typeError(name, allowed, value);
  if (!Number.isFinite(value) || value < low) throw rangeError(name, allowed, value);
}

export function checkOneOf<Word extends string>(name: string, value: unknown, words: readonly Word[]): asserts value is Word {
  const allowed = `one of ${words.map((word) => `'${word}'`).join(', ')}`;
  if (typeof value !== 'string') throw typeError(name, allowed, value);
  if (!(words as readonly string[]).includes(value)) throw rangeError(name, allowed, value);
}

export function checkInstant(name: string, value: unknown): asserts value is Date {
  if (!(value instanceof Date) || Number.isNaN(value.getTime())) throw typeError(name, 'a valid Date', value);
}

/**
 * Distances in metres that must lie beyond the focal length in millimetres.
 * `orInfinity` lets the distance be `Infinity`.
 */
export function checkBeyondFocalLength(
  name: string,
  distanceM: unknown,
  focalLengthMm: number,
  { orInfinity = false }: { orInfinity?: boolean } = {},
): asserts distanceM is number {
  if (orInfinity) checkPositiveOrInfinity(name, distanceM);
  else checkPositive(name, distanceM);
  if (distanceM * 1000 <= focalLengthMm) {
    throw rangeError(name, `greater than the focal length (${focalLengthMm / 1000} m)`, distanceM);
  }
}
