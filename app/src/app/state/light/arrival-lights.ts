import { lightFor } from '@roam-dial/core/plan';
import type { Stop, StopDay, StopLight } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';

type WalkLight = Pick<Walk, 'day' | 'place' | 'cloud' | 'forecast'>;

interface Kept {
  readonly walk: WalkLight;
  readonly day: StopDay | null;
  readonly minuteOfDay: number;
  readonly light: StopLight | null;
}

/** The light at each stop when one arrives, worked out again only where the stop, its day or the walk's sky is another. */
export class ArrivalLights {
  private readonly kept = new WeakMap<Stop, Kept>();

  readonly of: typeof lightFor = (walk, stop, minuteOfDay, day) => {
    const known = this.kept.get(stop);
    const isSame =
      known?.day === day &&
      known.minuteOfDay === minuteOfDay &&
      known.walk.day === walk.day &&
      known.walk.place === walk.place &&
      known.walk.cloud === walk.cloud &&
      known.walk.forecast === walk.forecast;
    if (isSame) return known.light;
    const light = lightFor(walk, stop, minuteOfDay, day);
    this.kept.set(stop, { walk, day, minuteOfDay, light });
    return light;
  };
}
