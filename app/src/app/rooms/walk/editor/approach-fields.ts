import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Approach } from '@roam-dial/core/stop';
import { ChoiceField } from '../../../fields/choice-field';
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

/** The schools on which practitioners disagree, each with what it costs. */
@Component({
  selector: 'rd-approach-fields',
  imports: [ChoiceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-choice-field
      label="Exposure"
      [value]="approach().exposure"
      [choices]="exposures"
      [hint]="exposureCosts[approach().exposure]"
      (changed)="set({ exposure: $event })"
    />
    <rd-choice-field
      label="Focus"
      [value]="approach().focus"
      [choices]="focuses"
      [hint]="focusCosts[approach().focus]"
      (changed)="set({ focus: $event })"
    />
    <rd-choice-field
      label="Depth"
      [value]="approach().depth"
      [choices]="depths"
      [hint]="depthCosts[approach().depth]"
      (changed)="set({ depth: $event })"
    />
    <rd-choice-field
      label="Support"
      [value]="approach().support"
      [choices]="supports"
      [hint]="supportCosts[approach().support]"
      (changed)="set({ support: $event })"
    />
  `,
  styles: `
    :host {
      display: contents;
    }
    rd-choice-field {
      grid-column: span 2;
    }
  `,
})
export class ApproachFields {
  readonly approach = input.required<Approach>();
  readonly changed = output<Approach>();

  protected readonly exposures = EXPOSURE_CHOICES;
  protected readonly exposureCosts = EXPOSURE_COSTS;
  protected readonly focuses = FOCUS_CHOICES;
  protected readonly focusCosts = FOCUS_COSTS;
  protected readonly depths = DEPTH_CHOICES;
  protected readonly depthCosts = DEPTH_COSTS;
  protected readonly supports = SUPPORT_CHOICES;
  protected readonly supportCosts = SUPPORT_COSTS;

  protected set(change: Partial<Approach>): void {
    this.changed.emit({ ...this.approach(), ...change });
  }
}
