import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { DEFAULT_SETTINGS, FIELD_RANGES } from '@roam-dial/core/formats/archive';
import { districtOf, isIndoors, isStreetOf, ofKind, siteOf, streetAt, withStreet } from '@roam-dial/core/plan';
import {
  type Approach,
  type Intent,
  type IntentKind,
  isMovementOfMatter,
  isOfThing,
  type Movers,
  ofPeople,
  ofThing,
  type Stop,
  type Subject,
  asZoneKind,
  withEnds,
  withPassers,
  type ZoneKind,
  zoneLawOf,
} from '@roam-dial/core/stop';
import { metresFrom } from '@roam-dial/core/streets';
import type { Walk } from '@roam-dial/core/walk';
import { newStop } from '../../../storage/defaults';
import { StopActions } from '../../../state/walk/stop.actions';
import { type CardTarget, CardFocus } from '../../../state/selection/card-focus';
import { LegsStore } from '../../../state/walk/legs.store';
import type { StopSection } from '../../../state/selection/open-sections';
import { arrivingAt, withIntent, withLeaving } from '../../../state/walk/stop.edits';
import { placeThumbnailId } from '../../../storage/thumbnails';
import { wordingSignal } from '../../../state/workspace/wording.store';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { CheckField } from '../../../fields/check-field';
import { ChoiceField } from '../../../fields/choice-field';
import { TextField } from '../../../fields/text-field';
import { ValueField } from '../../../fields/value-field';
import { bearingCodec, clockCodec, distanceCodec, numberCodec, optional, percentCodec, restricted } from '../../../fields/codec';
import { KeptPicture } from '../../../shared/picture/kept-picture';
import { ShootingFields } from './shooting-fields';
import { ApproachFields } from './approach-fields';
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
import { IntentQuestions } from './intent-questions';
import { WishesFields } from './wishes-fields';
import { StopSectionPanel } from './stop-section';
import { CONSENT_CHOICES, INTENT_CHOICES, LAMP_CHOICES, LIGHT_CHANGE_CHOICES, PAVEMENT_CHOICES, ZONE_CHOICES } from '../words';
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
    ApproachFields,
    CheckField,
    ChoiceField,
    CrowdField,
    IntentQuestions,
    MatButtonModule,
    MatExpansionModule,
    ShootingFields,
    StopSectionPanel,
    TextField,
    ValueField,
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
  private readonly settings = computed(() => this.workspace()?.settings ?? DEFAULT_SETTINGS);

  protected readonly intents = INTENT_CHOICES;
  protected readonly lampChoices = LAMP_CHOICES;
  protected readonly pavements = PAVEMENT_CHOICES;
  protected readonly lightChanges = LIGHT_CHANGE_CHOICES;
  protected readonly consents = CONSENT_CHOICES;
  protected readonly lensChoices = computed(() => {
    const bag = ofKind(this.workspace()?.kit ?? [], 'lens').filter(({ inBag, id }) => inBag || id === this.stop().lensId);
    return [{ value: '', label: 'first in the bag' }, ...bag.map(({ id, name }) => ({ value: id, label: name }))];
  });
  protected readonly lens = computed(() => {
    const lenses = ofKind(this.workspace()?.kit ?? [], 'lens');
    return lenses.find(({ id }) => id === this.stop().lensId) ?? null;
  });
  protected readonly focal = computed(() => {
    const lens = this.lens();
    return optional(numberCodec({ low: lens?.shortestMm ?? 1, high: lens?.longestMm ?? 3000, unit: 'mm', decimals: 1 }));
  });

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
  protected readonly isThing = computed(() => isOfThing(this.stop()));
  protected readonly isMoving = computed(() => isMovementOfMatter(this.stop()));

  /** The head of each section. */
  protected readonly says = computed<Readonly<Record<StopSection, string>>>(() => {
    const [stop, walk, wording] = [this.stop(), this.walk(), this.wording()];
    const leg = this.legs()[walk.stops.findIndex(({ id }) => id === stop.id) - 1] ?? null;
    return {
      picture: pictureSentence(stop, this.lens()?.name ?? null, wording),
      when: whenSentence(stop, leg, wording),
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

  protected readonly bearing = bearingCodec();
  protected readonly angle = numberCodec({ low: 0, high: 90, unit: '°', step: 5 });
  protected readonly speed = numberCodec({ ...FIELD_RANGES.speedMps, unit: 'm/s', step: 0.1 });
  protected readonly rate = numberCodec({ ...FIELD_RANGES.passersPerMinute, step: 1, decimals: 1 });
  protected readonly share = percentCodec();
  protected readonly spread = percentCodec(100 * FIELD_RANGES.spread.high);
  protected readonly laws = ZONE_CHOICES;
  protected readonly walkMinutes = optional(numberCodec({ ...FIELD_RANGES.walkMin, unit: 'min', decimals: 0 }));
  protected readonly latitude = numberCodec({ low: -90, high: 90, decimals: 6, step: 0.0001 });
  protected readonly longitude = numberCodec({ low: -180, high: 180, decimals: 6, step: 0.0001 });
  protected readonly width = computed(() => distanceCodec(this.settings().lengthUnit, FIELD_RANGES.streetWidthM));
  private readonly reach = computed(() => distanceCodec(this.settings().lengthUnit, { low: 0.2, high: Infinity }));
  protected readonly median = computed(() => distanceCodec(this.settings().lengthUnit, { low: 0.2, high: 100_000 }));
  protected readonly near = computed(() =>
    restricted(this.median(), (nearM) => nearM < this.stop().subject.farM, 'must be nearer than the far end'),
  );
  protected readonly far = computed(() =>
    restricted(
      restricted(this.reach(), (farM) => farM > this.stop().subject.nearM, 'must be farther than the near end'),
      (farM) => farM < Infinity || this.law() === 'allOfIt',
      'has an end where people pass: choose all of it for a zone without one',
    ),
  );
  protected readonly law = computed(() => zoneLawOf(this.stop()));
  protected readonly clock = computed(() => clockCodec(this.settings().clock, (minute) => this.wording().clock(minute)));
  protected readonly arriveClock = this.clock;
  protected readonly leaveClock = computed(() =>
    restricted(this.clock(), (minute) => minute > this.stop().arriveMin, 'must be after the arrival'),
  );

  protected point(target: CardTarget): void {
    this.cardFocus.pointAt(target);
  }

  protected set(field: string, change: Partial<Stop>, isTyping = false): void {
    this.edit(field, (stop) => ({ ...stop, ...change }), isTyping);
  }

  protected setIntent(kind: IntentKind): void {
    this.edit('intent', (stop) => withIntent(stop, kind));
  }

  protected setAnswers(intent: Intent): void {
    this.set('picture', { intent });
  }

  protected setEnds(ends: Partial<Pick<Subject, 'nearM' | 'farM'>>): void {
    this.edit('zone', (stop) => ({ ...stop, subject: withEnds(stop.subject, zoneLawOf(stop), ends) }));
  }

  protected setPassers(passers: Partial<Pick<Subject, 'medianM' | 'spread'>>): void {
    this.edit('zone', (stop) => ({ ...stop, subject: withPassers(stop.subject, passers) }));
  }

  protected setLaw(law: ZoneKind): void {
    this.edit('zone', (stop) => ({ ...stop, subject: asZoneKind(stop.subject, law) }));
  }

  protected setMovers(change: Partial<Movers>, isTyping = false): void {
    this.edit('people', (stop) => ({ ...stop, movers: { ...stop.movers, ...change } }), isTyping);
  }

  protected setThing(isThing: boolean): void {
    const { movers, subject } = newStop('', undefined);
    this.edit('people', (stop) => (isThing ? ofThing(stop) : ofPeople(stop, movers, subject.spread)));
  }

  protected setArrival(minute: number): void {
    this.edit('arrival', (stop) => arrivingAt(stop, minute));
  }

  protected setLeaving(minute: number): void {
    this.edit('leaving', (stop) => withLeaving(stop, minute));
  }

  protected setHasGap(hasGap: boolean): void {
    this.set('gap of the sun', { sunGap: hasGap ? { fromDeg: 150, toDeg: 240, aboveDeg: 15 } : null });
  }

  protected setGap(change: Partial<NonNullable<Stop['sunGap']>>): void {
    this.edit('gap of the sun', (stop) => (stop.sunGap === null ? stop : { ...stop, sunGap: { ...stop.sunGap, ...change } }));
  }

  protected setHasHours(hasHours: boolean): void {
    this.set('hours', { hours: hasHours ? { fromMin: 18 * 60, toMin: 23 * 60 } : null });
  }

  protected setHours(change: Partial<NonNullable<Stop['hours']>>): void {
    this.edit('hours', (stop) => (stop.hours === null ? stop : { ...stop, hours: { ...stop.hours, ...change } }));
  }

  protected setHasPosition(hasPosition: boolean): void {
    const { latitude, longitude } = this.walk().place;
    this.set('position', { position: hasPosition ? { latitude, longitude } : null });
  }

  protected setPosition(change: Partial<NonNullable<Stop['position']>>): void {
    this.edit('position', (stop) => (stop.position === null ? stop : { ...stop, position: { ...stop.position, ...change } }));
  }

  protected takeStreet(): void {
    const street = this.streetThere();
    if (street !== null) this.edit('street', (stop) => withStreet(stop, street));
  }

  protected setLens(lensId: string): void {
    this.set('lens', { lensId: lensId === '' ? null : lensId, focalLengthMm: null });
  }

  protected setOwnApproach(isOwn: boolean): void {
    this.set('approach', { approach: isOwn ? this.walk().approach : null });
  }

  protected setApproach(approach: Approach): void {
    this.set('approach', { approach });
  }

  private edit(part: string, change: (stop: Stop) => Stop, isTyping = false): void {
    const at = { walk: this.walk(), stop: this.stop() };
    if (isTyping) this.stopActions.adjust(at, part, change);
    else this.stopActions.change(at, part, change);
  }
}
