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
    <rd-page-tabs label="Pages of the log" [pages]="pages"><router-outlet /></rd-page-tabs>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class LogView {
  protected readonly pages = [
    { path: '/log/frames', name: 'Frames' },
    { path: '/log/against', name: 'Against the card' },
    { path: '/log/lessons', name: 'What they teach' },
    { path: '/log/again', name: 'When again' },
    { path: '/log/noise', name: 'Noise' },
  ];
}
