import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { DEFAULT_THRESHOLDS, GATES, INTENT_NAMES, type ThresholdName } from '@roam-dial/core/stop';
import { WalkActions } from '../../../state/walk/walk.actions';
import { ValueField } from '../../../fields/value-field';
import { type Codec, numberCodec, percentCodec, restricted } from '../../../fields/codec';
import { LightState } from '../light-state';
import { THRESHOLD_WORDS, type ThresholdUnit, THRESHOLDS_OF } from './threshold-words';

const CODECS: Readonly<Record<ThresholdUnit, Codec<number>>> = {
  m: numberCodec({ low: 0.5, high: 30, unit: 'm', decimals: 1, step: 0.5 }),
  share: percentCodec(),
  stops: numberCodec({ low: -10, high: 10, unit: 'stops', decimals: 2, step: 0.25 }),
  EV: numberCodec({ low: -10, high: 20, unit: 'EV', decimals: 2, step: 0.5 }),
  '°': numberCodec({ low: -90, high: 180, unit: '°', decimals: 1 }),
};

/** When the light counts as suiting the stop's intent, to be changed for the whole walk. */
@Component({
  selector: 'rd-thresholds-panel',
  imports: [ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>When the light counts: {{ intentName() }}</h2>
    @if (rows().length === 0) {
      <p>This picture’s windows go by the hours you enter and by what your kit takes.</p>
    } @else {
      <p class="soft">A window opens at the first figure and is worth all at the second. For every stop of the walk.</p>
      <div class="rows">
        @for (row of rows(); track row.name) {
          <div class="row">
            <span>{{ row.words }}</span>
            <rd-value-field
              [label]="row.words + ': opens'"
              [isLabelHidden]="true"
              [value]="row.pair[0]"
              [codec]="row.opens"
              (changed)="set(row.name, 0, $event)"
            />
            @if (row.isGate) {
              <span class="soft">all at once</span>
            } @else {
              <rd-value-field
                [label]="row.words + ': full'"
                [isLabelHidden]="true"
                [value]="row.pair[1]"
                [codec]="row.full"
                (changed)="set(row.name, 1, $event)"
              />
            }
            @if (row.isOwn) {
              <button
                type="button"
                class="plain-button"
                [attr.aria-label]="row.words + ': back to the default'"
                (click)="reset(row.name)"
              >
                ↺
              </button>
            }
          </div>
        }
      </div>
    }
  `,
  styleUrl: './thresholds-panel.scss',
})
export class ThresholdsPanel {
  private readonly room = inject(LightState);
  private readonly walkActions = inject(WalkActions);

  protected readonly intentName = computed(() => {
    const stop = this.room.stop();
    return stop === null ? '' : INTENT_NAMES[stop.intent.kind].toLowerCase();
  });
  protected readonly rows = computed(() => {
    const [walk, stop] = [this.room.walk(), this.room.stop()];
    if (walk === null || stop === null) return [];
    return THRESHOLDS_OF[stop.intent.kind].map((name) => {
      const own = walk.windows?.[name];
      const pair = own ?? DEFAULT_THRESHOLDS[name];
      const { name: words, unit } = THRESHOLD_WORDS[name];
      const isGate = GATES.has(name);
      const rises = DEFAULT_THRESHOLDS[name][1] > DEFAULT_THRESHOLDS[name][0];
      // A ramp has two different ends, and keeps the way that it runs.
      const opens = restricted(
        CODECS[unit],
        (v) => isGate || (rises ? v < pair[1] : v > pair[1]),
        `must be ${rises ? 'below' : 'above'} the full figure`,
      );
      const full = restricted(
        CODECS[unit],
        (v) => (rises ? v > pair[0] : v < pair[0]),
        `must be ${rises ? 'above' : 'below'} the opening figure`,
      );
      return { name, words, pair, opens, full, isGate, isOwn: own !== undefined };
    });
  });

  protected set(name: ThresholdName, end: 0 | 1, value: number): void {
    const walk = this.room.walk();
    if (walk === null) return;
    const [opens, full] = walk.windows?.[name] ?? DEFAULT_THRESHOLDS[name];
    const pair = GATES.has(name) ? ([value, value] as const) : end === 0 ? ([value, full] as const) : ([opens, value] as const);
    this.walkActions.setThreshold(walk, name, pair, THRESHOLD_WORDS[name].name);
  }

  protected reset(name: ThresholdName): void {
    const walk = this.room.walk();
    if (walk !== null) this.walkActions.resetThreshold(walk, name, THRESHOLD_WORDS[name].name);
  }
}
