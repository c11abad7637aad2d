import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { FormControl } from '@angular/forms';
import { ofKind } from '@roam-dial/core/plan';
import type { Approach } from '@roam-dial/core/stop';
import type { Walk, WalkPlace } from '@roam-dial/core/walk';
import { DateTime } from 'luxon';
import { GAZETTEER } from '../../../storage/gazetteer';
import { zoneNames } from '../../../base/zones';
import { WalkActions } from '../../../state/walk/walk.actions';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { ChoiceField } from '../../../fields/choice-field';
import { choicesOf } from '../../../words/choices';
import { DateField } from '../../../fields/date-field';
import { TextField } from '../../../fields/text-field';
import { ValueField } from '../../../fields/value-field';
import { numberCodec } from '../../../fields/codec';
import { isZone, ZoneField } from '../../../fields/zone-field';
import { DescribedForm, type FieldChange } from '../../../fields/described-form';
import { APPROACH_FIELDS } from './approach-fields';
import { DayFields } from './day-fields';

type Sky = 'clear' | 'hazy' | 'overcast';
const CLOUD: Readonly<Record<Sky, number>> = { clear: 0, hazy: 0.5, overcast: 1 };
const OWN_PLACE = 'own';

/** Name, date, place, sky and approach of the walk. */
@Component({
  selector: 'rd-walk-editor',
  imports: [ChoiceField, DateField, DayFields, DescribedForm, MatButtonModule, TextField, ValueField, ZoneField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './walk-editor.html',
  styleUrl: './editor.scss',
})
export class WalkEditor {
  readonly walk = input.required<Walk>();

  protected readonly walkActions = inject(WalkActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);

  protected readonly zones = zoneNames();
  protected readonly day = new FormControl<DateTime | null>(null);
  protected readonly zone = new FormControl('', { nonNullable: true, validators: isZone });

  constructor() {
    effect(() => this.day.setValue(DateTime.fromISO(this.walk().day), { emitEvent: false }));
    effect(() => this.zone.setValue(this.walk().place.timeZone, { emitEvent: false }));
    this.day.valueChanges.subscribe((date) => {
      const day = date?.isValid === true ? date.toFormat('yyyy-MM-dd') : this.walk().day;
      if (day !== this.walk().day) this.set('date', { day });
    });
    this.zone.valueChanges.subscribe((timeZone) => {
      const isOther = this.zone.valid && timeZone !== '' && timeZone !== this.walk().place.timeZone;
      if (isOther) this.setPlace({ timeZone });
    });
  }

  protected readonly latitude = numberCodec({ low: -90, high: 90, decimals: 5, step: 0.01 });
  protected readonly longitude = numberCodec({ low: -180, high: 180, decimals: 5, step: 0.01 });
  protected readonly approachFields = APPROACH_FIELDS;
  protected readonly skies = choicesOf<Sky>({ clear: 'clear', hazy: 'hazy', overcast: 'overcast' });
  protected readonly places = [
    ...GAZETTEER.map(({ name }) => ({ value: name, label: `${name}, invented place` })),
    { value: OWN_PLACE, label: 'own coordinates' },
  ];
  protected readonly bodies = computed(() => [
    { value: '', label: 'first in the bag' },
    ...ofKind(this.workspace()?.kit ?? [], 'body').map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly placeValue = computed(() => {
    const { place } = this.walk();
    return place.isInvented && GAZETTEER.some(({ name }) => name === place.name) ? place.name : OWN_PLACE;
  });
  protected readonly sky = computed<Sky>(() => {
    const { cloud } = this.walk();
    return cloud < 0.25 ? 'clear' : cloud < 0.75 ? 'hazy' : 'overcast';
  });

  protected set(field: string, change: Partial<Walk>, isTyping = false): void {
    const changed = (walk: Walk): Walk => ({ ...walk, ...change });
    if (isTyping) this.walkActions.adjust(this.walk(), field, changed);
    else this.walkActions.change(this.walk(), field, changed);
  }

  protected choosePlace(value: string): void {
    const found = GAZETTEER.find(({ name }) => name === value);
    this.set('place', { place: found ?? { ...this.walk().place, name: 'Own place', isInvented: false } });
  }

  protected setPlace(change: Partial<WalkPlace>, isTyping = false): void {
    this.set('place', { place: { ...this.walk().place, ...change } }, isTyping);
  }

  protected setSky(sky: Sky): void {
    this.walkActions.setOneSky(this.walk(), CLOUD[sky]);
  }

  protected setBody(bodyId: string): void {
    this.set('body', { bodyId: bodyId === '' ? null : bodyId });
  }

  protected setApproach({ change }: FieldChange<Approach>): void {
    this.set('approach', { approach: change(this.walk().approach) });
  }
}
