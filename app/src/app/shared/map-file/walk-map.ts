import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Walk } from '@roam-dial/core/walk';
import { WalkActions } from '../../state/walk/walk.actions';
import { MapDrop } from '../../reading/map-drop';
import { type HeightRules, MapReading, type MapReadingState, USUAL_HEIGHTS } from '../../reading/map-reading';
import { MapFile } from './map-file';

/** A map file read for a walk: chosen here, or dropped on the window while this is shown. */
@Component({
  selector: 'rd-walk-map',
  imports: [MapFile],
  providers: [MapReading],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-map-file [rules]="rules()"><ng-content /></rd-map-file>
    @if (refusal(); as message) {
      <p class="warn" role="alert">{{ message }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class WalkMap {
  readonly walk = input.required<Walk | null>();
  /** What is taken for granted of the next file. */
  readonly rules = input<HeightRules>(USUAL_HEIGHTS);

  private readonly actions = inject(WalkActions);
  protected readonly refusal = signal<string | null>(null);

  constructor() {
    const reading = inject(MapReading);
    inject(MapDrop)
      .file$.pipe(takeUntilDestroyed())
      .subscribe((file) => reading.read(file, this.rules()));
    reading.state$.pipe(takeUntilDestroyed()).subscribe((state) => {
      if (state.kind === 'read') void this.take(state);
      else this.refusal.set(null);
    });
  }

  private async take({ district, fileName }: Extract<MapReadingState, { kind: 'read' }>): Promise<void> {
    const walk = this.walk();
    if (walk !== null) this.refusal.set(await this.actions.takeDistrict(walk, district, fileName));
  }
}
