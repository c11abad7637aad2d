import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { againstCard, missesOf, type WalkedFrames } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import { DepartureStrip } from './departure-strip';
import { StopActions } from '../../../state/walk/stop.actions';
import { LogStore } from '../../../state/log/log.store';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { grown } from '../../../ui/grown';
import { counted } from '../../../words/counted';
import { againstSentences, departureRows, lightSentence, missSentences, totalSentence } from '../words/log-against';
import { sheetGroups } from '../sheet-rows';

/** Light is corrected by thirds, and no further than a person can by hand. */
const THIRDS = 3;
const MOST_OFFSET_EV = 10;

/** What was planned against what was used, stop by stop, and what the misses have in common. */
@Component({
  selector: 'rd-against-page',
  imports: [DepartureStrip, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './against-page.html',
  styleUrl: './against-page.scss',
})
export class AgainstPage {
  private readonly stopActions = inject(StopActions);
  private readonly store = inject(LogStore);
  private readonly walked = toSignal(this.store.log$);
  private readonly teaching = toSignal(this.store.teaching$, { initialValue: { walked: [], isExample: false } });
  protected readonly wording = wordingSignal();

  protected readonly walk = computed(() => this.walked()?.walk ?? null);
  private readonly placed = computed(() => this.walked()?.placed ?? []);

  protected readonly stops = computed(() => {
    const [log, walk] = [this.walked()?.log ?? null, this.walk()];
    if (log === null || walk === null) return [];
    return sheetGroups(log, this.placed()).flatMap(({ stopId, name, frames }) => {
      if (stopId === null || frames.length === 0) return [];
      const found = againstCard(frames);
      const stop = walk.stops.find(({ id }) => id === stopId) ?? null;
      const thirds = found.light === null ? null : Math.round(found.light.offsetEv * THIRDS) / THIRDS;
      const offsetEv = thirds === null ? null : Math.max(-MOST_OFFSET_EV, Math.min(MOST_OFFSET_EV, thirds));
      return [
        {
          id: stopId,
          name,
          lines: againstSentences(found),
          rows: departureRows(found),
          light: found.light === null ? '' : lightSentence(found.light, this.wording()),
          offer:
            stop === null ||
            found.light === null ||
            offsetEv === null ||
            !found.light.isSure ||
            Math.abs(offsetEv - stop.lightOffsetEv) < 1 / 6
              ? null
              : { stop, offsetEv, words: this.wording().stops(offsetEv, 'third') },
        },
      ];
    });
  });
  protected readonly drawn = grown(this.stops);

  /** Of this walk, and of all there were: the same where there was one. */
  protected readonly misses = computed(() => {
    const [log, all] = [this.walked()?.log ?? null, this.teaching().walked.filter(hasDecided)];
    const others = all.filter((one) => one.log.id !== log?.id);
    return [
      ...(log === null || this.stops().length === 0 ? [] : [this.missed('This walk', [{ log, placed: this.placed() }])]),
      ...(others.length === 0 ? [] : [this.missed(`Over ${counted(all.length, 'walk', 'walks')}`, all)]),
    ];
  });

  private missed(
    of: string,
    walked: readonly WalkedFrames[],
  ): { of: string; total: string; causes: ReturnType<typeof missSentences> } {
    const misses = missesOf(walked);
    return { of, total: totalSentence(misses), causes: missSentences(misses, this.wording()) };
  }

  protected correct(walk: Walk, { stop, offsetEv }: { readonly stop: Walk['stops'][number]; readonly offsetEv: number }): void {
    this.stopActions.adjust({ walk, stop }, 'light by its frames', (one) => ({ ...one, lightOffsetEv: offsetEv }));
  }
}

const hasDecided = ({ placed }: WalkedFrames): boolean => placed.some(({ frame }) => frame.verdict !== null);
