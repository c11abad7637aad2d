/** Something that lies or stands at the stop, by which a distance is found: a kerb, a step, a wall. */
export interface GroundMark {
  readonly label: string;
  readonly distanceM: number;
}
