import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { PageTabs } from '../../ui/page-tabs';

/** Afterwards: the frames of the walk, held against what was planned. */
@Component({
  selector: 'rd-log-view',
  imports: [PageTabs, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="visually-hidden">Log</h1>
    <rd-page-tabs><router-outlet /></rd-page-tabs>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class LogView {}
