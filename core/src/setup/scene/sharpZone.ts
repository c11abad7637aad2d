/** From where to where it is sharp, metres; `farM` may be `Infinity`. */
export interface SharpZone {
  readonly nearM: number;
  readonly farM: number;
}
