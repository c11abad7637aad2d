import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { apartIn } from '@roam-dial/core/plan';
import { checklistOf, frameOf, mediumOf } from '@roam-dial/core/setup';
import { CardSight } from './card-sight';
import { KeySight } from './key-sight';
import { StopScene } from './stop-scene';
import { CardStore } from '../../state/card/card.store';
import { CardFocus } from '../../state/selection/card-focus';
import { FindingsStore } from '../../state/card/findings.store';
import { StopActions } from '../../state/walk/stop.actions';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { type CardRowKey, cardRows, rowsAtHome } from './card-rows';
import { ladderLines, nextStep } from './ladder-lines';
import { headline, isWithinStay, cardLightSentence, notItsLightSentence, otherLightSentence } from './light-sentences';
import {
  chanceSentence,
  cleanerSentence,
  CONSENT_WORDS,
  liveViewCaution,
  obstacleSentence,
  sacrificeSentence,
  whyInputText,
} from './sentences';
import { SpotLight } from './spot-light';
import { nameOf } from '../../words/name';
import { NO_CARD_WORDS } from '../../words/set-up/no-card';
import { apartSentence } from '../../words/apart';
import { checksSentence } from './card-checks';
import { Term } from '../../ui/term';
import { PartMissing } from '../../ui/part-missing';

/** The set-up for the selected stop at the chosen time: five numbers, what binds each, and what to change as light goes. */
@Component({
  selector: 'rd-dial-card',
  imports: [CardSight, KeySight, PartMissing, Term, MatButtonModule, RouterLink, SpotLight, StopScene],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './dial-card.html',
  styleUrl: './dial-card.scss',
})
export class DialCard {
  /** In the hand: larger, with what the camera shows as its control. */
  readonly isInHand = input(false);

  private readonly wording = wordingSignal();
  private readonly stopActions = inject(StopActions);
  private readonly state = toSignal(inject(CardStore).card$);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly findings = inject(FindingsStore);
  private readonly ladder = toSignal(this.findings.ladder$);
  private readonly home = toSignal(this.findings.home$, { initialValue: null });
  protected readonly pointedAt = toSignal(inject(CardFocus).pointedAt$, { initialValue: null });
  protected readonly openWhy = signal<CardRowKey | null>(null);

  protected readonly card = computed(() => {
    const state = this.state();
    return state?.kind === 'card' ? state : null;
  });
  protected readonly missing = computed(() => {
    const state = this.state();
    return state?.kind === 'none' ? { words: NO_CARD_WORDS[state.reason], ...state } : null;
  });
  /** A stop that is of another place than its map has other walls and another sun than it seems. */
  private readonly apart = computed(() => {
    const [card, workspace] = [this.card(), this.workspace()];
    if (card === null || workspace === undefined) return [];
    const all = apartIn(workspace, card.walk).filter((one) => one.kind === 'walkFromMap' || one.stopId === card.stop.id);
    return all.map((one) => apartSentence(one, this.wording()));
  });
  protected readonly view = computed(() => {
    const card = this.card();
    if (card === null) return null;
    const wording = this.wording();
    const { result } = card;
    const finding = this.ladder();
    const ladder = finding?.card.stop.id === card.stop.id ? ladderLines(finding.card, finding.answer, wording) : [];
    return {
      headline: headline(card, wording),
      isOutsideStay: !isWithinStay(card),
      // In the hand it stands over the card already.
      notItsLight: this.isInHand() ? null : notItsLightSentence(card, wording),
      isItsLight: card.pictureLight === null || card.pictureLight.kind === 'open',
      otherLight: otherLightSentence(card),
      name: nameOf(card.stop),
      light: cardLightSentence(card, wording),
      isProvisional: card.isProvisional,
      apart: this.apart(),
      rows: cardRows(card, wording),
      atHome: rowsAtHome(card, this.home()?.home ?? null),
      ladder,
      next: nextStep(ladder),
      chance: chanceSentence(card),
      cleaner: card.isChosen ? null : cleanerSentence(card, wording),
      isChosen: card.isChosen,
      obstacle: result.kind === 'cannot' ? obstacleSentence(result.obstacle, card, wording) : null,
      sacrifices: result.sacrifices.map((sacrifice) => sacrificeSentence(sacrifice, wording)),
      liveView: liveViewCaution(card, wording),
      consent: CONSENT_WORDS[card.stop.consent],
      notes: card.stop.notes,
      cautions: card.stop.cautions,
      checks: checksSentence(checklistOf(card.input, result.setUp)),
      support: { handheld: '', braced: 'Braced.', tripod: 'On the tripod, where it is allowed and blocks nobody.' }[
        result.setUp.support
      ],
    };
  });
  protected readonly why = computed(() => {
    const card = this.card();
    const row = this.view()?.rows.find(({ key }) => key === this.openWhy());
    if (card === null || row?.why == null) return null;
    return {
      ...row.why,
      seen: row.key === 'meter' && card.seen !== null ? card : null,
      scene: row.key === 'meter' && card.seen === null ? { frame: frameOf(card.input), medium: mediumOf(card.input) } : null,
      inputs: row.why.inputs.map((one) => ({ label: one.label, text: whyInputText(one, card, this.wording()) })),
    };
  });

  /** What the hand chose is dropped; undo brings it back. */
  protected backToBest(): void {
    const card = this.card();
    if (card !== null) this.stopActions.backToBest(card);
  }

  /** Two stops of ISO less, as the hand's own choice. */
  protected takeCleaner(): void {
    const card = this.card();
    const cleaner = card?.result.cleaner ?? null;
    if (card !== null && cleaner !== null) this.stopActions.setHand(card, cleaner.hand);
  }

  protected toggleWhy(key: CardRowKey): void {
    this.openWhy.update((open) => (open === key ? null : key));
  }
}
