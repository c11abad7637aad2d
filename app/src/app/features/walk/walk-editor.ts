import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { type Approach, checkTimeZone, localDaySpan, ofKind, type Walk, type WalkPlace } from '@roam-dial/core';
import { GAZETTEER } from '../../data/gazetteer';
import { WalkActions } from '../../state/actions/walk.actions';
import { WorkspaceStore } from '../../state/workspace.store';
import { ChoiceField } from '../../ui/choice-field';
import { choicesOf } from '../../ui/choices';
import { TextField } from '../../ui/text-field';
import { ValueField } from '../../ui/value-field';
import { type Codec, numberCodec } from '../../wording/codec';
import { ApproachFields } from './approach-fields';

type Sky = 'clear' | 'hazy' | 'overcast';
const CLOUD: Readonly<Record<Sky, number>> = { clear: 0, hazy: 0.5, overcast: 1 };
const OWN_PLACE = 'own';

/** A reader for text that the core checks by throwing. */
function checked(check: (text: string) => void, message: (text: string) => string): Codec<string> {
  return {
    format: (value) => value,
    parse: (text) => {
      const tidy = text.trim();
      try {
        check(tidy);
        return { ok: true, value: tidy };
      } catch {
        return { ok: false, message: message(tidy) };
      }
    },
  };
}

/** Name, date, place, sky and approach of the walk. */
@Component({
  selector: 'rd-walk-editor',
  imports: [ApproachFields, ChoiceField, MatButtonModule, TextField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './walk-editor.html',
  styleUrl: './editor.scss',
})
export class WalkEditor {
  readonly walk = input.required<Walk>();

  protected readonly walkActions = inject(WalkActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);

  protected readonly day = checked(
    (text) => localDaySpan(text, 'UTC'),
    (text) => `“${text}” is not a date; try 2027-03-13`,
  );
  protected readonly zone = checked(checkTimeZone, (text) => `“${text}” is not a zone; try Atlantic/Azores`);
  protected readonly latitude = numberCodec({ low: -90, high: 90, decimals: 5, step: 0.01 });
  protected readonly longitude = numberCodec({ low: -180, high: 180, decimals: 5, step: 0.01 });
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

  protected setApproach(approach: Approach): void {
    this.set('approach', { approach });
  }
}
