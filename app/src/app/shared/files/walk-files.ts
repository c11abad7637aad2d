import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Gpx } from '@roam-dial/core/formats/walkFiles';
import type { Walk } from '@roam-dial/core/walk';
import { StopActions } from '../../state/walk/stop.actions';
import { WalkActions } from '../../state/walk/walk.actions';
import { counted } from '../../words/counted';
import { FileActions, type WalkFormat } from './file-actions';

const FORMATS: readonly { readonly format: WalkFormat; readonly words: string }[] = [
  { format: 'cards', words: 'Field cards to print (PDF)' },
  { format: 'picture', words: 'Card of the chosen stop (PNG)' },
  { format: 'gpx', words: 'Way and stops (GPX)' },
  { format: 'calendar', words: 'Calendar' },
  { format: 'csv', words: 'Table (CSV)' },
  { format: 'geojson', words: 'GeoJSON' },
];

/** A walk to take along in open formats, and the way really walked brought back. */
@Component({
  selector: 'rd-walk-files',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="files" role="group" aria-label="Files to take along">
      @for (one of formats; track one.format) {
        <button mat-stroked-button type="button" [disabled]="isBusy()" (click)="save(one.format)">{{ one.words }}</button>
      }
      <button mat-stroked-button type="button" (click)="file.click()">Read a track or places (GPX)</button>
      <input #file type="file" accept=".gpx,application/gpx+xml" aria-label="GPX file" hidden (change)="read($event)" />
    </div>
    @if (problem(); as words) {
      <p class="warn" role="alert">{{ words }}</p>
    }
    @if (found(); as gpx) {
      <p role="status">
        {{ words(gpx) }}
        @if (gpx.waypoints.length > 0) {
          <button mat-button type="button" (click)="addStops(gpx)">Add them as stops</button>
        }
      </p>
    }
    @if (walk().track; as track) {
      <p class="soft">
        Your recorded track is on the plan ({{ track.length }} points).
        <button type="button" class="link-button" (click)="walkActions.dropTrack(walk())">Remove it</button>
      </p>
    }
  `,
  styles: `
    @use 'phone';
    .files {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-2);
    }
    @include phone.below {
      .files button {
        min-height: 48px;
      }
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
})
export class WalkFiles {
  readonly walk = input.required<Walk>();

  private readonly actions = inject(FileActions);
  protected readonly walkActions = inject(WalkActions);
  private readonly stopActions = inject(StopActions);
  protected readonly formats = FORMATS;
  protected readonly isBusy = signal(false);
  protected readonly problem = signal<string | null>(null);
  protected readonly found = signal<Gpx | null>(null);

  protected async save(format: WalkFormat): Promise<void> {
    this.problem.set(null);
    this.isBusy.set(true);
    try {
      await this.actions.save(this.walk(), format);
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    } finally {
      this.isBusy.set(false);
    }
  }

  protected async read(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (file === undefined) return;
    this.found.set(null);
    const read = await this.actions.read(this.walk(), file);
    this.problem.set(read.ok ? null : `${file.name}: ${read.message}`);
    if (read.ok) this.found.set(read.gpx);
  }

  protected addStops(gpx: Gpx): void {
    void this.stopActions.addPlaces(this.walk(), gpx.waypoints);
    this.found.set(null);
  }

  protected words({ waypoints, routes, tracks, leftOut }: Gpx): string {
    const lines = tracks.length > 0 ? 'Its track is on the plan now.' : routes.length > 0 ? 'Its route is on the plan now.' : '';
    const places = waypoints.length === 0 ? '' : `It has ${counted(waypoints.length, 'place', 'places')}.`;
    const left = leftOut === 0 ? '' : `${counted(leftOut, 'point lies', 'points lie')} nowhere on earth.`;
    return [lines, places, left].filter((one) => one !== '').join(' ') || 'It holds no way and no places.';
  }
}
