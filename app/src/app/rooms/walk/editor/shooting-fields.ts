import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { DEFAULT_SHOOTING, type Shooting } from '@roam-dial/core/stop';
import { CheckField } from '../../../fields/check-field';
import { ChoiceField } from '../../../fields/choice-field';
import { ValueField } from '../../../fields/value-field';
import { numberCodec } from '../../../fields/codec';
import { PULSE_CHOICES, SMEAR_CHOICES } from '../shooting-words';

/** How the frames are taken at a stop: what the search reckons with beside the light. */
@Component({
  selector: 'rd-shooting-fields',
  imports: [CheckField, ChoiceField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-value-field
      label="Frames of one press"
      hint="one good one is enough"
      [hasSteppers]="true"
      [value]="used().burstFrames"
      [codec]="frames"
      (changed)="set({ burstFrames: $event })"
    />
    <rd-choice-field label="Smear of people" [value]="used().smear" [choices]="smears" (changed)="set({ smear: $event })" />
    <rd-choice-field label="The light is" [value]="used().lamp" [choices]="lamps" (changed)="set({ lamp: $event })" />
    <rd-check-field label="Walking while shooting" [value]="used().isWalking" (changed)="set({ isWalking: $event })" />
    @if (used().lamp !== 'steady') {
      <rd-check-field label="I want the glitch" [value]="used().wantsGlitch" (changed)="set({ wantsGlitch: $event })" />
    }
    @if (isLocked()) {
      <rd-check-field label="The spot’s distance is guessed" [value]="used().spotByEye" (changed)="set({ spotByEye: $event })" />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
})
export class ShootingFields {
  readonly shooting = input.required<Shooting | undefined>();
  readonly isLocked = input(false);
  readonly changed = output<Shooting>();

  protected readonly used = computed(() => this.shooting() ?? DEFAULT_SHOOTING);
  protected readonly smears = SMEAR_CHOICES;
  protected readonly lamps = PULSE_CHOICES;
  protected readonly frames = numberCodec({ low: 1, high: 50, decimals: 0 });

  protected set(change: Partial<Shooting>): void {
    this.changed.emit({ ...this.used(), ...change });
  }
}
