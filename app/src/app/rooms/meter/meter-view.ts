import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { phoneLayout } from '../../state/device/phone-layout';
import { PageTabs } from '../../ui/page-tabs';
import { RibbonHead } from '../../shared/ribbon/ribbon-head';
import { MeterState } from './meter-state';

/** The meter: readings against what the medium holds, and the arithmetic of the night. */
@Component({
  selector: 'rd-meter-view',
  imports: [PageTabs, RibbonHead, RouterOutlet],
  providers: [MeterState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './meter-view.html',
  styles: `
    :host {
      display: block;
      padding-bottom: var(--space-6);
    }
  `,
})
export class MeterView {
  protected readonly isPhone = phoneLayout();
}
