import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { KeptPicture } from '../../../shared/picture/kept-picture';
import type { DrawnFault } from './drawn-fault';

/** The middle of a frame at its full size, with what spoils it at its true size: there, and not in a thumbnail, one sees it. */
@Component({
  selector: 'rd-close-up',
  imports: [KeptPicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-kept-picture [thumbnailId]="thumbnailId()" part="close" />
    @if (fault(); as s) {
      <svg viewBox="-162 -108 324 216" aria-hidden="true">
        <g [attr.transform]="'translate(' + view().x + ' ' + view().y + ') scale(' + view().perPx + ')'">
          @if (s.kind === 'smear') {
            <line [attr.x1]="-s.dx" [attr.x2]="s.dx" [attr.y1]="-s.dy" [attr.y2]="s.dy" />
          } @else if (s.kind === 'disc') {
            <circle [attr.r]="s.radius" />
          }
        </g>
      </svg>
    }
  `,
  styles: `
    :host {
      position: relative;
      display: block;
      width: 324px;
      height: 216px;
      max-width: 100%;
      margin: 0 auto;
      overflow: hidden;
    }
    rd-kept-picture {
      width: 324px;
      height: 216px;
    }
    svg {
      position: absolute;
      inset: 0;
      width: 324px;
      height: 216px;
      fill: none;
      stroke: var(--mark);
      stroke-width: 3px;
      stroke-linecap: round;
    }
    line,
    circle {
      vector-effect: non-scaling-stroke;
    }
  `,
})
export class CloseUp {
  readonly thumbnailId = input.required<string>();
  readonly fault = input<DrawnFault | null>(null);
  /** Pixels of the whole picture for one of it as it was read; and where the fault is, pixels of the whole from its middle. */
  readonly view = input.required<{ readonly perPx: number; readonly x: number; readonly y: number }>();
}
