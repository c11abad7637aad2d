import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import type { PlacedFrame, WalkLog } from '@roam-dial/core/log';
import { FrameFileActions } from '../../../state/log/frame-file.actions';

/** The frames of a walk as files, and what comes back from files: a table that was filled in elsewhere, and the track of a receiver. */
@Component({
  selector: 'rd-frame-files',
  imports: [MatButtonModule, MatCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      <span class="soft">Save as</span>
      <button mat-button type="button" (click)="actions.saveTable(log(), placed(), hasPlaces())">Table (CSV)</button>
      <button mat-button type="button" (click)="actions.saveSidecars(log(), placed(), hasPlaces())">Sidecars (XMP)</button>
      <mat-checkbox [checked]="hasPlaces()" (change)="hasPlaces.set($event.checked)">with the places</mat-checkbox>
      <button mat-button type="button" (click)="actions.saveMap(log(), placed())">Map of them (GeoJSON)</button>
    </div>
    <div class="bar">
      <span class="soft">Read</span>
      <button mat-button type="button" (click)="table.click()">A table (CSV)</button>
      <button mat-button type="button" (click)="track.click()">The walk’s track (GPX)</button>
      <input #table type="file" accept=".csv,text/csv" aria-label="Table of frames" hidden (change)="readTable($event)" />
      <input #track type="file" accept=".gpx" aria-label="Track of the walk" hidden (change)="readTrack($event)" />
      <span class="told" role="status">{{ told() }}</span>
    </div>
  `,
  styles: `
    @use 'phone';
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0 var(--space-2);
      font-size: var(--text-small);
    }
    @include phone.below {
      .bar button {
        min-height: 48px;
      }
    }
  `,
})
export class FrameFiles {
  readonly log = input.required<WalkLog>();
  readonly placed = input.required<readonly PlacedFrame[]>();

  protected readonly actions = inject(FrameFileActions);
  /** Whether files say where frames were taken. */
  protected readonly hasPlaces = signal(false);
  protected readonly told = signal('');

  protected async readTable(event: Event): Promise<void> {
    const file = oneFile(event);
    if (file !== null) this.told.set(await this.actions.readTable(this.log(), file));
  }

  protected async readTrack(event: Event): Promise<void> {
    const file = oneFile(event);
    if (file !== null) this.told.set(await this.actions.readTrack(this.log(), file));
  }
}

/** The file that was chosen; the field is emptied, so that the same one can be chosen again. */
function oneFile(event: Event): File | null {
  const field = event.target as HTMLInputElement;
  const [file = null] = field.files ?? [];
  field.value = '';
  return file;
}
