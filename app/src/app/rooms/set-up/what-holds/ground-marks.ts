import { GROUND_MARK_FIELDS } from '@roam-dial/core/stop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { GroundMark } from '@roam-dial/core/stop';
import { TextField } from '../../../fields/text-field';
import { ValueField } from '../../../fields/value-field';
import { distanceCodec } from '../../../fields/codec';
import type { Wording } from '../../../words/wording';

const NEW_MARK_M = 3;
const MOST_MARKS = 40;

/** What lies on the ground at the stop: names by which a distance is found without measuring. */
@Component({
  selector: 'rd-ground-marks',
  imports: [MatButtonModule, TextField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details>
      <summary>What lies there ({{ marks().length }})</summary>
      @for (mark of marks(); track $index; let k = $index) {
        <div class="mark">
          <rd-text-field label="Kerb, step, wall" [value]="mark.label" (changed)="put(k, { label: $event })" />
          <rd-value-field
            label="at"
            [hasSteppers]="true"
            [value]="mark.distanceM"
            [codec]="distance()"
            (changed)="put(k, { distanceM: $event })"
          />
          <button mat-button type="button" [attr.aria-label]="'Remove ' + mark.label" (click)="remove(k)">Remove</button>
        </div>
      }
      @if (marks().length < most) {
        <button mat-button type="button" (click)="add()">Add something that lies there</button>
      }
    </details>
  `,
  styles: `
    @use 'phone';
    summary {
      min-height: 24px;
      padding: 4px 0;
      font-size: var(--text-small);
      cursor: pointer;
    }
    .mark {
      display: grid;
      grid-template-columns: minmax(120px, 220px) 140px auto;
      align-items: end;
      justify-content: start;
      gap: var(--space-3);
      margin-bottom: var(--space-2);
    }
    @include phone.below {
      .mark {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
})
export class GroundMarks {
  readonly marks = input.required<readonly GroundMark[]>();
  readonly wording = input.required<Wording>();
  readonly changed = output<readonly GroundMark[]>();

  protected readonly most = MOST_MARKS;
  protected readonly distance = computed(() => distanceCodec(this.wording().lengthUnit, GROUND_MARK_FIELDS.distanceM));

  protected put(index: number, change: Partial<GroundMark>): void {
    this.changed.emit(this.marks().map((mark, k) => (k === index ? { ...mark, ...change } : mark)));
  }

  protected remove(index: number): void {
    this.changed.emit(this.marks().filter((_, k) => k !== index));
  }

  protected add(): void {
    this.changed.emit([...this.marks(), { label: 'kerb', distanceM: NEW_MARK_M }]);
  }
}
