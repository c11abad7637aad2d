/** A measurement of light, whoever took it; `ev100` is what it came to. */
export interface Reading {
  readonly takenAt: string;
  readonly kind: 'spot' | 'incident' | 'greyCard' | 'testShot' | 'lookedRight';
  readonly ev100: number;
  readonly note: string;
}
