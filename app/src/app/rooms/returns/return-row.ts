import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import type { Return, ReturnDays } from '@roam-dial/core/outing';
import { INTENT_NAMES } from '@roam-dial/core/stop';
import { placeThumbnailId } from '../../storage/thumbnails';
import { today } from '../../base/today';
import { ReturnActions } from '../../state/returns/actions';
import { returnMinuteOf } from '../../state/returns/returns.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { ChoiceField } from '../../fields/choice-field';
import { TextField } from '../../fields/text-field';
import { nameOf } from '../../words/name';
import { KeptPicture } from '../../shared/picture/kept-picture';
import { CROWD_CHOICES, nextLines, notedSentence } from '../../words/walk/returns';

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
  protected readonly thumbnailId = computed(() => placeThumbnailId(this.one().stop.id));
  protected readonly name = computed(() => nameOf(this.one().stop));
  protected readonly about = computed(() => {
    const one = this.one();
    const where = one.place.isInvented ? 'invented place' : one.place.name;
    return `${INTENT_NAMES[one.stop.intent.kind]}, ${where}. ${notedSentence(one, this.wording())}.`;
  });
  protected readonly next = computed(() => {
    const [one, days] = [this.one(), this.days()];
    const dark = days?.kind === 'anyDay' ? returnMinuteOf(one, days, today()) : null;
    return nextLines(one, days, dark, this.wording());
  });
}
