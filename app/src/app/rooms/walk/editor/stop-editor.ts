import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { districtOf, isIndoors, isStreetOf, ofKind, siteOf, streetAt, withStreet } from '@roam-dial/core/plan';
import type { Approach, Intent, IntentKind, Stop } from '@roam-dial/core/stop';
import { metresFrom } from '@roam-dial/core/streets';
import { stopBefore, type Walk } from '@roam-dial/core/walk';
import { StopActions } from '../../../state/walk/stop.actions';
import { type CardTarget, CardFocus } from '../../../state/selection/card-focus';
import { LegsStore } from '../../../state/walk/legs.store';
import type { StopSection } from '../../../state/selection/open-sections';
import { withIntent } from '../../../state/walk/stop.edits';
import { placeThumbnailId } from '../../../storage/thumbnails';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { CheckField } from '../../../fields/check-field';
import { ChoiceField } from '../../../fields/choice-field';
import { KeptPicture } from '../../../shared/picture/kept-picture';
import { APPROACH_FIELDS } from './approach-fields';
import { DescribedForm, type FieldChange } from '../../../fields/described-form';
import { fieldReading } from '../../../shared/field-reading';
import type { StopContext } from './stop-context';
import {
  GAP_FIELDS,
  LAMP_FIELDS,
  LENS_FIELDS_OF_STOP,
  NAME_FIELDS,
  NOTE_FIELDS,
  PEOPLE_FIELDS,
  positionFields,
  SHOOTING_FIELDS_OF_STOP,
  STREET_FIELDS,
  WHEN_FIELDS,
  ZONE_FIELDS,
} from './stop-fields';
import { CrowdField } from './crowd-field';
import {
  approachSentence,
  daySentence,
  framesSentence,
  notesSentence,
  peopleSentence,
  pictureSentence,
  whenSentence,
  whereSentence,
  zoneSentence,
} from '../stop-sentences';
import { streetSentence } from '../../../words/walk/street';
import { intentFields } from './intent-fields';
import { WishesFields } from './wishes-fields';
import { StopSectionPanel } from './stop-section';
import { INTENT_CHOICES } from '../words';
import { nameOf } from '../../../words/name';
import { Term } from '../../../ui/term';
import { PartMissing } from '../../../ui/part-missing';

/** Everything about one stop as sentences, in the order in which one finds it out: what, when, where, who, how; each opens to be changed. */
@Component({
  selector: 'rd-stop-editor',
  imports: [
    PartMissing,
    Term,
    KeptPicture,
    CheckField,
    ChoiceField,
    CrowdField,
    DescribedForm,
    MatButtonModule,
    MatExpansionModule,
    StopSectionPanel,
    WishesFields,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stop-editor.html',
  styleUrl: './editor.scss',
})
export class StopEditor {
  readonly walk = input.required<Walk>();
  readonly stop = input.required<Stop>();

  protected readonly thumbnailIdOf = placeThumbnailId;
  protected readonly stopActions = inject(StopActions);
  private readonly cardFocus = inject(CardFocus);
  protected readonly name = computed(() => nameOf(this.stop()));
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly wording = wordingSignal();

  protected readonly intents = INTENT_CHOICES;
  protected readonly form = {
    name: NAME_FIELDS,
    lens: LENS_FIELDS_OF_STOP,
    when: WHEN_FIELDS,
    street: STREET_FIELDS,
    lamps: LAMP_FIELDS,
    gap: GAP_FIELDS,
    zone: ZONE_FIELDS,
    people: PEOPLE_FIELDS,
    approach: APPROACH_FIELDS,
    frames: SHOOTING_FIELDS_OF_STOP,
    notes: NOTE_FIELDS,
  } as const;
  protected readonly intentFields = computed(() => intentFields(this.stop().intent));
  protected readonly positionFields = computed(() => positionFields(this.walk().place));
  private readonly lenses = computed(() => ofKind(this.workspace()?.kit ?? [], 'lens'));
  protected readonly lens = computed(() => this.lenses().find(({ id }) => id === this.stop().lensId) ?? null);
  private readonly reading = fieldReading();
  protected readonly context = computed<StopContext>(() => ({
    ...this.reading(),
    lens: this.lens(),
    lenses: [
      { value: '', label: 'first in the bag' },
      ...this.lenses()
        .filter(({ inBag, id }) => inBag || id === this.stop().lensId)
        .map(({ id, name }) => ({ value: id, label: name })),
    ],
    hasWalls: this.hasWalls(),
    isInvented: this.walk().place.isInvented,
    afterMin: stopBefore(this.walk(), this.stop())?.arriveMin ?? null,
    isLocked: (this.stop().approach ?? this.walk().approach).focus === 'lockedOnSpot',
  }));

  private readonly legs = toSignal(inject(LegsStore).legs$, { initialValue: [] });
  private readonly district = computed(() => {
    const workspace = this.workspace();
    return workspace === undefined ? null : districtOf(workspace, this.walk());
  });
  private readonly position = computed(() => this.stop().position);
  /** Looked for among all streets and walls: again only where the stop or the map is another. */
  private readonly streetThere = computed(() => {
    const [district, position] = [this.district(), this.position()];
    return district === null || position === null ? null : streetAt(district, metresFrom(district.origin, position));
  });
  private readonly isInside = computed(() => {
    const [district, position] = [this.district(), this.position()];
    return district !== null && position !== null && isIndoors(district, metresFrom(district.origin, position));
  });
  /** What the map has of the street, and whether the stop has it so. */
  protected readonly street = computed(() => {
    const street = this.streetThere();
    if (street === null) return null;
    return { sentence: streetSentence(street, this.wording()), isTaken: isStreetOf(this.stop(), street) };
  });

  /** The head of each section. */
  protected readonly says = computed<Readonly<Record<StopSection, string>>>(() => {
    const [stop, walk, wording] = [this.stop(), this.walk(), this.wording()];
    const leg = this.legs()[walk.stops.findIndex(({ id }) => id === stop.id) - 1] ?? null;
    return {
      picture: pictureSentence(stop, this.lens()?.name ?? null, wording),
      when: whenSentence(this.walk(), stop, leg, wording),
      day: daySentence(stop, wording),
      where: whereSentence(stop, this.streetThere(), this.isInside(), wording),
      zone: zoneSentence(stop, wording),
      people: peopleSentence(stop, wording),
      approach: approachSentence(stop, walk),
      frames: framesSentence(stop),
      notes: notesSentence(stop),
    };
  });

  /** Walls make a gap read off a compass needless. */
  protected readonly hasWalls = computed(() => {
    const workspace = this.workspace();
    return workspace !== undefined && siteOf(workspace, this.walk(), this.stop()).kind !== 'none';
  });

  protected point(target: CardTarget): void {
    this.cardFocus.pointAt(target);
  }

  protected set(part: string, change: Partial<Stop>): void {
    this.edit(part, (stop) => ({ ...stop, ...change }));
  }

  protected setIntent(kind: IntentKind): void {
    this.edit('intent', (stop) => withIntent(stop, kind));
  }

  protected setAnswers({ change }: FieldChange<Intent>): void {
    this.edit('picture', (stop) => ({ ...stop, intent: change(stop.intent) }));
  }

  protected apply({ change, part, isTyping }: FieldChange<Stop>): void {
    this.edit(part, change, isTyping);
  }

  protected takeStreet(): void {
    const street = this.streetThere();
    if (street !== null) this.edit('street', (stop) => withStreet(stop, street));
  }

  protected setOwnApproach(isOwn: boolean): void {
    this.set('approach', { approach: isOwn ? this.walk().approach : null });
  }

  protected setApproach(approach: Approach, { change }: FieldChange<Approach>): void {
    this.set('approach', { approach: change(approach) });
  }

  private edit(part: string, change: (stop: Stop) => Stop, isTyping = false): void {
    const at = { walk: this.walk(), stop: this.stop() };
    if (isTyping) this.stopActions.adjust(at, part, change);
    else this.stopActions.change(at, part, change);
  }
}
