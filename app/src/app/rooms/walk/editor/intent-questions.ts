import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { FIELD_RANGES } from '@roam-dial/core/formats/archive';
import type { ArtificialLight } from '@roam-dial/core/light';
import type { Intent } from '@roam-dial/core/stop';
import { toSignal } from '@angular/core/rxjs-interop';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';
import { CheckField } from '../../../fields/check-field';
import { ChoiceField } from '../../../fields/choice-field';
import { choicesOf } from '../../../words/choices';
import { ValueField } from '../../../fields/value-field';
import { distanceCodec, entryCodec, percentCodec } from '../../../fields/codec';
import { LAMP_CHOICES } from '../words';

/** The few questions that each intent has of its own. */
@Component({
  selector: 'rd-intent-questions',
  imports: [CheckField, ChoiceField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let one = intent();
    @switch (one.kind) {
      @case ('passingCandid') {
        <rd-choice-field label="Light on them" [value]="one.light" [choices]="lights" (changed)="set({ light: $event })" />
      }
      @case ('lightPool') {
        <rd-value-field
          label="Lit part of the frame"
          [value]="one.brightShare"
          [codec]="share"
          hint="decides the compensation"
          (changed)="set({ brightShare: $event })"
        />
      }
      @case ('silhouette') {
        <rd-choice-field label="Against" [value]="one.background" [choices]="backgrounds" (changed)="set({ background: $event })" />
        <rd-value-field
          label="Bright part of the frame"
          [value]="one.brightShare"
          [codec]="share"
          (changed)="set({ brightShare: $event })"
        />
      }
      @case ('intoTheSun') {
        <rd-value-field
          label="Sky in the frame"
          [value]="one.brightShare"
          [codec]="share"
          (changed)="set({ brightShare: $event })"
        />
      }
      @case ('brightBackdrop') {
        <rd-choice-field label="Backdrop" [value]="one.source" [choices]="sources" (changed)="set({ source: $event })" />
        <rd-value-field
          label="Its part of the frame"
          [value]="one.brightShare"
          [codec]="share"
          (changed)="set({ brightShare: $event })"
        />
      }
      @case ('litStreet') {
        <rd-choice-field label="Lamps" [value]="one.lamps" [choices]="lamps" (changed)="set({ lamps: $event })" />
      }
      @case ('flashLift') {
        <rd-value-field
          label="Flash compensation"
          [value]="one.flashEv"
          [codec]="flashStops"
          (changed)="set({ flashEv: $event })"
        />
        <rd-value-field
          label="Sky against mid-grey"
          [value]="one.skyUnderEv"
          [codec]="stops"
          (changed)="set({ skyUnderEv: $event })"
        />
      }
      @case ('longExposure') {
        <rd-choice-field label="Of" [value]="one.of" [choices]="subjects" (changed)="set({ of: $event })" />
        <rd-value-field label="Time wanted" [value]="one.wantedS" [codec]="seconds" (changed)="set({ wantedS: $event })" />
      }
      @case ('facade') {
        <rd-choice-field label="Tone of the wall" [value]="one.tone" [choices]="tones" (changed)="set({ tone: $event })" />
      }
      @case ('reflection') {
        <rd-choice-field label="Mirror" [value]="one.mirror" [choices]="mirrors" (changed)="set({ mirror: $event })" />
        <rd-check-field label="It has rained" [value]="one.isWet" (changed)="set({ isWet: $event })" />
      }
      @case ('compressedDistance') {
        <rd-value-field label="Far thing at" [value]="one.farM" [codec]="distance()" (changed)="set({ farM: $event })" />
      }
      @case ('fireworks') {
        <rd-value-field label="Bulb time" [value]="one.bulbS" [codec]="seconds" (changed)="set({ bulbS: $event })" />
      }
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class IntentQuestions {
  readonly intent = input.required<Intent>();
  readonly changed = output<Intent>();

  private readonly settings = toSignal(inject(WorkspaceStore).settings$);

  protected readonly share = percentCodec(100, 1);
  protected readonly stops = entryCodec({ kind: 'stops', step: 'third' }, { low: -5, high: 5 });
  protected readonly flashStops = entryCodec({ kind: 'stops', step: 'third' }, { low: -3, high: 3 });
  protected readonly seconds = entryCodec({ kind: 'shutter', step: 'third' }, { low: 1 / 60, high: 900 });
  protected readonly distance = computed(() => distanceCodec(this.settings()?.lengthUnit ?? 'metres', FIELD_RANGES.farM));
  protected readonly lights = choicesOf({ either: 'sun or shade', sun: 'in the sun', shade: 'in the shade' });
  protected readonly backgrounds = choicesOf({ sky: 'the sky', wall: 'a sunlit wall', screen: 'a screen or window' });
  protected readonly lamps = choicesOf({ burn: 'may burn out', hold: 'are held' });
  protected readonly subjects = choicesOf({ water: 'water', trails: 'traffic trails', emptied: 'an emptied square' });
  protected readonly tones = choicesOf({ dark: 'dark', mid: 'mid', pale: 'pale stone' });
  protected readonly mirrors = choicesOf({ puddle: 'a puddle', glass: 'glass', water: 'still water' });
  protected readonly sources = LAMP_CHOICES.filter(
    (choice): choice is { value: ArtificialLight; label: string } => choice.value !== 'none',
  );

  protected set(answer: Partial<Record<string, unknown>>): void {
    this.changed.emit({ ...this.intent(), ...answer } as Intent);
  }
}
