/** Minutes from midnight, town time. */
export interface HoursSpan {
  readonly fromMin: number;
  readonly toMin: number;
}
