/** Why something in a map's file did not become a building, tree or water. */
export const LEFT_OUT_REASONS = [
  'cornersMissing',
  'notClosed',
  'noArea',
  'crossesItself',
  'noLength',
  'underItsBase',
  'outOfRange',
] as const;
export type LeftOutReason = (typeof LEFT_OUT_REASONS)[number];

export interface LeftOut {
  readonly reason: LeftOutReason;
  readonly count: number;
  /** The first hundred, as the file names them. */
  readonly ids: readonly string[];
}

const MOST_IDS = 100;

/** Counts what is left out, by reason. */
export class LeftOutCounter {
  private readonly byReason = new Map<LeftOutReason, { count: number; ids: string[] }>();

  add(reason: LeftOutReason, id: string): void {
    const so = this.byReason.get(reason) ?? { count: 0, ids: [] };
    so.count++;
    if (so.ids.length < MOST_IDS) so.ids.push(id);
    this.byReason.set(reason, so);
  }

  list(): readonly LeftOut[] {
    return LEFT_OUT_REASONS.flatMap((reason) => {
      const so = this.byReason.get(reason);
      return so === undefined ? [] : [{ reason, ...so }];
    });
  }
}
