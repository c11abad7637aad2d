import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { commonDay, type Return, type ReturnDays } from '@roam-dial/core/outing';
import { DAY_ON_FOOT_M } from '@roam-dial/core/plan';
import { distanceBetweenM } from '@roam-dial/core/walk';
import { today } from '../../base/today';
import { ReturnActions } from '../../state/returns/actions';
import { ReturnsStore } from '../../state/returns/returns.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { PageTabs } from '../../ui/page-tabs';
import { counted } from '../../words/counted';
import { nameOf } from '../../words/name';
import { WALK_FACES } from '../../words/walk/walk-faces';
import { ReturnRow } from './return-row';

/** Places kept for another time: what was wrong, when the light comes again, and a walk of those that are chosen. */
@Component({
  selector: 'rd-returns-page',
  imports: [MatButtonModule, PageTabs, ReturnRow],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './returns-page.html',
  styleUrl: './returns-page.scss',
})
export class ReturnsPage {
  protected readonly actions = inject(ReturnActions);
  private readonly store = inject(ReturnsStore);
  protected readonly returns = toSignal(this.store.returns$, { initialValue: [] });
  protected readonly days = toSignal(this.store.days$);
  protected readonly wording = wordingSignal();
  protected readonly faces = WALK_FACES;
  protected readonly nameOf = nameOf;
  protected readonly problem = signal<string | null>(null);
  protected readonly chosenIds = signal<ReadonlySet<string>>(new Set());
  private readonly today = today();

  private readonly chosen = computed(() =>
    this.returns().flatMap((one) => {
      const days = this.days()?.get(one.id);
      return this.chosenIds().has(one.id) && days != null ? [{ one, days }] : [];
    }),
  );
  /** The walk that the chosen ones would make. */
  protected readonly walk = computed(() => {
    const chosen = this.chosen();
    if (chosen.length === 0) return null;
    const { day, has } = commonDay(
      chosen.map(({ days }) => days),
      this.today,
    );
    const withLight = has.filter(Boolean).length;
    const dayText = this.wording().day(day);
    const without = chosen.filter((_, k) => has[k] === false).map(({ one }) => nameOf(one.stop));
    return {
      chosen,
      day,
      dayText,
      words: `${dayText}: ${counted(withLight, 'of them has its light', 'of them have their light')}`,
      without: without.length === 0 ? '' : `Not then: ${without.join(', ')}.`,
      far: isTooFar(chosen) ? 'They are of more than one place: no walk leads from one to the other.' : '',
    };
  });

  protected choose(one: Return, isChosen: boolean): void {
    this.chosenIds.update((ids) => {
      const others = new Set(ids);
      if (isChosen) others.add(one.id);
      else others.delete(one.id);
      return others;
    });
  }

  protected async take(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const files = [...(field.files ?? [])];
    field.value = '';
    this.problem.set(null);
    for (const file of files) {
      const problem = await this.actions.fromSnapshot(file);
      if (problem !== null) this.problem.set(problem);
    }
  }

  protected make({ chosen, day, dayText }: NonNullable<ReturnType<typeof this.walk>>): void {
    void this.actions.makeWalk(chosen, day, dayText);
  }
}

function isTooFar(chosen: readonly { readonly one: Return; readonly days: ReturnDays }[]): boolean {
  const places = chosen.map(({ one }) => one.stop.position ?? one.place);
  const [first] = places;
  return first !== undefined && places.some((place) => distanceBetweenM(first, place) > DAY_ON_FOOT_M);
}
