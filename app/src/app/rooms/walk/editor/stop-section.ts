import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, contentChild, inject, input, TemplateRef } from '@angular/core';
import { MatExpansionModule } from '@angular/material/expansion';
import { OpenSections, type StopSection } from '../../../state/selection/open-sections';

/** A part of a stop: its name and a sentence that says what there is, opened to change it. Its fields are made when it is. */
@Component({
  selector: 'rd-stop-section',
  imports: [MatExpansionModule, NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-expansion-panel
      [expanded]="isOpen()"
      (opened)="sections.toggle(section(), true)"
      (closed)="sections.toggle(section(), false)"
    >
      <mat-expansion-panel-header>
        <mat-panel-title>{{ name() }}</mat-panel-title>
        <mat-panel-description>{{ sentence() }}</mat-panel-description>
      </mat-expansion-panel-header>
      <ng-template matExpansionPanelContent>
        <ng-container [ngTemplateOutlet]="fields()" />
      </ng-template>
    </mat-expansion-panel>
  `,
})
export class StopSectionPanel {
  readonly section = input.required<StopSection>();
  readonly name = input.required<string>();
  readonly sentence = input.required<string>();

  protected readonly fields = contentChild.required<TemplateRef<unknown>>(TemplateRef);
  protected readonly sections = inject(OpenSections);
  protected readonly isOpen = computed(() => this.sections.open().has(this.section()));
}
