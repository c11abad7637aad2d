import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import type { LeftOut } from '@roam-dial/core/formats/maps';
import { type HeightRules, MapReading, USUAL_HEIGHTS } from '../../reading/map-reading';
import { leftOutSentence, MAP_READING_WORDS, mapReadSentence } from './map-report';

/** A map file chosen, how far its reading is, and what came of it: all that was left out, with the ids behind a "which?". */
@Component({
  selector: 'rd-map-file',
  imports: [MatButtonModule, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button mat-stroked-button type="button" [disabled]="isReading()" (click)="file.click()">Read a map file</button>
    <input #file type="file" accept=".geojson,.json,.osm,.xml" aria-label="Map file" hidden (change)="choose($event)" />
    <ng-content />
    @if (progress(); as now) {
      <p class="progress" role="status">
        <mat-progress-bar mode="determinate" [value]="now.percent" [attr.aria-label]="now.words" />
        <span>{{ now.words }}</span>
        <button type="button" class="link-button" aria-label="Stop reading" (click)="reading.stop()">Stop</button>
      </p>
    }
    @if (problem(); as message) {
      <p class="warn" role="alert">{{ message }}</p>
    }
    @if (report(); as r) {
      <p role="status">{{ r.words }}</p>
      @for (one of r.leftOut; track one.reason) {
        <details class="left-out">
          <summary>
            {{ sentenceOf(one) }}
            <span class="which">Which?</span>
          </summary>
          <p class="soft ids">{{ one.ids.join(', ') }}{{ one.count > one.ids.length ? ' and others' : '' }}</p>
        </details>
      }
    }
  `,
  styleUrl: './map-file.scss',
})
export class MapFile {
  /** What is taken for granted of the next file. */
  readonly rules = input<HeightRules>(USUAL_HEIGHTS);

  protected readonly reading = inject(MapReading);
  private readonly state = toSignal(this.reading.state$, { initialValue: { kind: 'idle' } as const });
  protected readonly sentenceOf: (one: LeftOut) => string = leftOutSentence;
  protected readonly isReading = computed(() => this.state().kind === 'reading');
  protected readonly progress = computed(() => {
    const state = this.state();
    return state.kind === 'reading' ? { words: MAP_READING_WORDS[state.doing], percent: Math.round(100 * state.share) } : null;
  });
  protected readonly problem = computed(() => {
    const state = this.state();
    return state.kind === 'failed' ? state.message : null;
  });
  protected readonly report = computed(() => {
    const state = this.state();
    if (state.kind !== 'read') return null;
    return {
      words: mapReadSentence(state.report, this.rules().defaultHeightM, state.district.ways?.length ?? 0),
      leftOut: state.report.leftOut,
    };
  });

  protected choose(event: Event): void {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (file !== undefined) this.reading.read(file, this.rules());
  }
}
