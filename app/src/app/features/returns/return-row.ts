import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import type { Return, ReturnDays } from '@roam-dial/core/outing';
import { INTENT_NAMES } from '@roam-dial/core/stop';
import { placeSightId } from '../../data/sights';
import { today } from '../../data/today';
import { ReturnActions } from '../../state/actions/return.actions';
import { minuteOf } from '../../state/returns.store';
import { wordingSignal } from '../../state/wording.store';
import { ChoiceField } from '../../ui/choice-field';
import { TextField } from '../../ui/text-field';
import { nameOf } from '../../wording/name';
import { KeptPicture } from '../picture';
import { CROWD_CHOICES, nextLines, notedSentence } from './return-words';

/** One place kept for another time: what was wrong there, and when its light comes again. */
@Component({
  selector: 'rd-return-row',
  imports: [ChoiceField, KeptPicture, MatButtonModule, MatCheckboxModule, TextField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './return-row.html',
  styleUrl: './return-row.scss',
})
export class ReturnRow {
  readonly one = input.required<Return>();
  /** Undefined while it is being looked for, null where it could not be found. */
  readonly days = input.required<ReturnDays | null | undefined>();
  readonly isChosen = input(false);
  readonly chosen = output<boolean>();

  protected readonly actions = inject(ReturnActions);
  private readonly wording = wordingSignal();
  protected readonly crowds = CROWD_CHOICES;
  protected readonly sightId = computed(() => placeSightId(this.one().stop.id));
  protected readonly name = computed(() => nameOf(this.one().stop));
  protected readonly about = computed(() => {
    const one = this.one();
    const where = one.place.isInvented ? 'invented place' : one.place.name;
    return `${INTENT_NAMES[one.stop.intent.kind]}, ${where}. ${notedSentence(one, this.wording())}.`;
  });
  protected readonly next = computed(() => {
    const [one, days] = [this.one(), this.days()];
    const dark = days?.kind === 'anyDay' ? minuteOf(one, days, today()) : null;
    return nextLines(one, days, dark, this.wording());
  });
}
