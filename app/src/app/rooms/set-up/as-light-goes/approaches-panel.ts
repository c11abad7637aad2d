import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import type { ApproachRow } from '@roam-dial/core/setup';
import type { Card } from '../../../state/card/card.store';
import { StopActions } from '../../../state/walk/stop.actions';
import { withoutHand } from '../../../state/walk/stop.edits';
import { FindingsStore } from '../../../state/card/findings.store';
import {
  DEPTH_CHOICES,
  DEPTH_COSTS,
  EXPOSURE_CHOICES,
  EXPOSURE_COSTS,
  FOCUS_CHOICES,
  FOCUS_COSTS,
  SUPPORT_CHOICES,
  SUPPORT_COSTS,
} from '../../../words/set-up/approaches';
import { limitWords } from '../../../words/set-up/limits';
import { handText, isoText } from '../settings-bar';
import { RoomState } from '../room-state';

const DIMENSIONS = {
  exposure: { name: 'Exposure', choices: EXPOSURE_CHOICES, costs: EXPOSURE_COSTS },
  focus: { name: 'Focus', choices: FOCUS_CHOICES, costs: FOCUS_COSTS },
  depth: { name: 'Depth', choices: DEPTH_CHOICES, costs: DEPTH_COSTS },
  support: { name: 'Support', choices: SUPPORT_CHOICES, costs: SUPPORT_COSTS },
} as const;
type Dimension = keyof typeof DIMENSIONS;
/** Less than this is less than all of a hundred frames. */
const NOT_ALL = 0.995;

/** The schools on which practitioners disagree, one dimension at a time, on this stop in this light. */
@Component({
  selector: 'rd-schools-panel',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './approaches-panel.html',
  styleUrls: ['../page.scss', '../panel.scss'],
})
export class ApproachesPanel {
  private readonly room = inject(RoomState);
  private readonly stopActions = inject(StopActions);
  private readonly approaches = toSignal(inject(FindingsStore).approaches$);

  protected readonly tables = computed(() => {
    const finding = this.approaches();
    const card = this.room.card();
    if (card === null || finding?.card.stop.id !== card.stop.id || finding.answer === null) return null;
    const rows = finding.answer;
    return (Object.keys(DIMENSIONS) as Dimension[]).map((dimension) => ({
      dimension,
      name: DIMENSIONS[dimension].name,
      rows: rows.filter((row) => row.dimension === dimension).map((row) => this.approachRow(row, finding.card)),
    }));
  });

  private approachRow(row: ApproachRow, card: Card) {
    const { choices, costs } = DIMENSIONS[row.dimension];
    const wording = this.room.wording();
    const label = choices.find(({ value }) => value === row.value)?.label ?? row.value;
    const cost = (costs as Readonly<Record<string, string>>)[row.value]?.replace(/^Downside: /, '') ?? '';
    const head = { value: row.value, label, cost, isOnStop: row.isOnStop };
    if (row.kind === 'notWithThisBody')
      return { ...head, chance: '', set: 'not with this body', iso: '', fails: '', canUse: false };
    const { best, failsFirst } = row;
    const { kept } = best.factors;
    const price =
      row.dimension === 'focus' && kept < NOT_ALL
        ? `; as the light changes, ${Math.round(100 * kept)} in 100 are well exposed`
        : '';
    return {
      ...head,
      cost: `${cost}${price}`,
      chance: String(Math.round(best.chance * 100)),
      set: handText(best, card, wording),
      iso: isoText(best.camera.iso, card, wording),
      fails: failsFirst === null ? 'nothing' : `${limitWords(failsFirst.limit, card.input)} at EV ${wording.ev(failsFirst.ev100)}`,
      canUse: !row.isOnStop,
    };
  }

  protected use(dimension: string, value: string): void {
    const card = this.room.card();
    if (card === null) return;
    const approach = { ...card.input.approach, [dimension]: value };
    this.stopActions.change(card, 'approach', (stop) => ({ ...withoutHand(stop), approach }));
  }
}
