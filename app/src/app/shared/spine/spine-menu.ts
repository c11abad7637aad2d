import { afterNextRender, ChangeDetectionStrategy, Component, input, output, viewChild } from '@angular/core';
import { MatMenuModule, MatMenuTrigger } from '@angular/material/menu';

export interface MenuEntry {
  readonly label: string;
  readonly run: () => unknown;
  readonly isDisabled?: boolean;
  /** Drawn apart from what stands above it. */
  readonly isFirstOfGroup?: boolean;
}

/** A menu that opens as soon as it is there, laid over the button that asked for it. Loaded with the first one. */
@Component({
  selector: 'rd-spine-menu',
  imports: [MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="anchor" [matMenuTriggerFor]="menu" (menuClosed)="closed.emit()"></span>
    <mat-menu #menu="matMenu">
      @for (entry of entries(); track entry.label) {
        @if (entry.isFirstOfGroup === true) {
          <hr />
        }
        <button mat-menu-item type="button" [disabled]="entry.isDisabled === true" (click)="entry.run()">{{ entry.label }}</button>
      }
    </mat-menu>
  `,
  styles: `
    :host {
      position: absolute;
      inset: 0;
      pointer-events: none;
    }
    .anchor {
      display: block;
      height: 100%;
    }
    hr {
      margin: 4px 0;
      border: 0;
      border-top: 1px solid var(--rule);
    }
  `,
})
export class SpineMenu {
  readonly entries = input.required<readonly MenuEntry[]>();
  readonly closed = output();
  private readonly trigger = viewChild.required(MatMenuTrigger);

  constructor() {
    afterNextRender(() => this.trigger().openMenu());
  }
}
