import { type CdkDragDrop, DragDropModule } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { INTENT_NAMES, type Stop, walkLegs } from '@roam-dial/core';
import { AppActions } from '../../state/app-actions';
import { CardStore } from '../../state/card.store';
import { DaysStore } from '../../state/days.store';
import { SelectionStore } from '../../state/selection.store';
import { WordingStore } from '../../state/wording.store';
import { WorkspaceStore } from '../../state/workspace.store';

/** The walk as a line: its stops in order with the legs between; adding, dropping and reordering happens here. */
@Component({
  selector: 'rd-spine',
  imports: [DragDropModule, MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spine.html',
  styleUrl: './spine.scss',
})
export class Spine {
  protected readonly actions = inject(AppActions);
  private readonly selection = inject(SelectionStore);
  private readonly focus = toSignal(inject(CardStore).focus$);
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly wording = inject(WordingStore).wording;

  protected readonly walks = computed(() => this.workspace()?.walks ?? []);
  protected readonly walk = computed(() => this.focus()?.walk ?? null);
  protected readonly selectedId = computed(() => this.focus()?.stop?.id ?? null);
  protected readonly legs = computed(() => walkLegs(this.walk()?.stops ?? [], this.workspace()?.standard.paceMps ?? 1.2));
  protected readonly subtitle = computed(() => {
    const walk = this.walk();
    if (walk === null) return '';
    const place = walk.place.isInvented ? 'invented place' : walk.place.name;
    return `${this.wording().day(walk.day)} · ${place}`;
  });

  protected readonly lines = computed(() => {
    const wording = this.wording();
    const legs = this.legs();
    return (this.walk()?.stops ?? []).map((stop, k) => {
      const leg = legs[k];
      const arriving = legs[k - 1];
      return {
        stop,
        number: k + 1,
        intent: INTENT_NAMES[stop.intent.kind],
        time: wording.clock(stop.arriveMin),
        then: leg === undefined ? '' : `then ${leg.walkMin} min`,
        late: arriving !== undefined && arriving.spareMin < 0 ? `${-arriving.spareMin} min late` : '',
        needsCare: stop.cautions.trim() !== '',
      };
    });
  });

  protected readonly summary = computed(() => {
    const stops = this.walk()?.stops ?? [];
    const days = this.days();
    const met = stops.filter(({ id, arriveMin, leaveMin }) =>
      days?.get(id)?.windows.some(({ fromMin, toMin }) => fromMin < leaveMin && toMin >= arriveMin),
    ).length;
    const metres = this.legs().reduce((sum, leg) => sum + leg.distanceM, 0);
    return {
      length: `${this.wording().walkLength(metres)}, ${stops.length} ${stops.length === 1 ? 'stop' : 'stops'}`,
      met,
      of: stops.length,
    };
  });

  protected select(stop: Stop): void {
    const walk = this.walk();
    if (walk !== null) this.selection.selectStop(walk.id, stop.id, stop.arriveMin);
  }

  protected selectWalk(walkId: string): void {
    this.selection.selectWalk(walkId);
  }

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.actions.moveStop({ walk: this.walk() }, previousIndex, currentIndex);
  }

  protected press(event: KeyboardEvent, index: number): void {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    const to = index + (event.key === 'ArrowUp' ? -1 : 1);
    this.actions.moveStop({ walk: this.walk() }, index, to);
  }
}
