import { RAD_PER_DEG } from '@roam-dial/core/units';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { elementWidth } from '../../../drawing/element-size';
import type { PlacePx } from '../../../drawing/grip';
import { Handle, type HandleStep } from '../../../drawing/handle';

const LEFT_PX = 30;
const RIGHT_PX = 46;
const TOP_PX = 14;
const GROUND_PX = 26;
const HEIGHT_PX = 220;
const FACADE_PX = 14;
const STEP_M = 0.5;

/**
 * The street cut across before a façade, to scale: the façade, the camera at the eye, and what its frame takes in at the
 * tilt that it has. The camera is dragged nearer and farther.
 */
@Component({
  selector: 'rd-facade-section',
  imports: [Handle],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure aria-label="The façade from the side, to scale">
      <svg [attr.width]="svgWidth()" [attr.height]="height">
        <line class="ground" x1="0" [attr.x2]="svgWidth()" [attr.y1]="view().groundY" [attr.y2]="view().groundY" />
        <path class="cone" [attr.d]="view().cone" />
        <rect
          class="facade"
          [attr.x]="view().facadeX"
          [attr.y]="view().topY"
          [attr.width]="facadePx"
          [attr.height]="view().groundY - view().topY"
        />
        <line
          class="seen"
          [attr.x1]="view().facadeX"
          [attr.x2]="view().facadeX"
          [attr.y1]="view().seenTopY"
          [attr.y2]="view().seenFootY"
        />
        @for (mark of view().levels; track mark.text) {
          <line class="level" [attr.x1]="mark.x" [attr.x2]="mark.x" [attr.y1]="view().groundY - 5" [attr.y2]="view().groundY + 5" />
          <text class="axis" text-anchor="middle" [attr.x]="mark.x" [attr.y]="view().groundY + 20">{{ mark.text }}</text>
        }
        <g
          class="camera"
          rdHandle="Distance from the façade"
          growsLeft
          [low]="1"
          [high]="10000"
          [value]="distanceM()"
          [reading]="distanceText()"
          (stepped)="step($event)"
          (grabbed)="heldScale.set(pxPerM())"
          (dragged)="drag($event)"
          (released)="heldScale.set(null)"
        >
          <rect class="grip" [attr.x]="view().cameraX - 20" [attr.y]="view().eyeY - 20" width="40" height="40" />
          <circle [attr.cx]="view().cameraX" [attr.cy]="view().eyeY" r="6" />
          <text text-anchor="middle" [attr.x]="view().cameraX" [attr.y]="view().eyeY - 12">{{ distanceText() }}</text>
        </g>
      </svg>
    </figure>
  `,
  styleUrl: './facade-section.scss',
})
export class FacadeSection {
  readonly facadeHeightM = input.required<number>();
  readonly distanceM = input.required<number>();
  readonly distanceText = input.required<string>();
  readonly eyeHeightM = input(1.6);
  readonly tiltDeg = input.required<number>();
  /** Half of the angle of view, upright. */
  readonly halfAngleDeg = input.required<number>();
  /** Distances to name on the ground. */
  readonly marks = input.required<readonly { readonly distanceM: number; readonly text: string }[]>();
  readonly moved = output<number>();

  private readonly width = elementWidth(640);
  /** While the camera is dragged the scale stands still. */
  protected readonly heldScale = signal<number | null>(null);
  protected readonly height = HEIGHT_PX;
  protected readonly facadePx = FACADE_PX;
  protected readonly svgWidth = computed(() => this.width());

  protected readonly pxPerM = computed(() => {
    const farM = Math.max(this.distanceM(), ...this.marks().map(({ distanceM }) => distanceM)) * 1.08;
    const across = (this.width() - LEFT_PX - RIGHT_PX - FACADE_PX) / farM;
    const up = (HEIGHT_PX - TOP_PX - GROUND_PX) / (this.facadeHeightM() * 1.1);
    return this.heldScale() ?? Math.min(across, up);
  });
  protected readonly view = computed(() => {
    const px = this.pxPerM();
    const groundY = HEIGHT_PX - GROUND_PX;
    const facadeX = this.width() - RIGHT_PX - FACADE_PX;
    const xOf = (distanceM: number): number => facadeX - distanceM * px;
    const yOf = (heightM: number): number => groundY - heightM * px;
    const [distanceM, eyeM] = [this.distanceM(), this.eyeHeightM()];
    const hitM = (angleDeg: number): number => eyeM + distanceM * Math.tan(Math.max(-89, Math.min(89, angleDeg)) * RAD_PER_DEG);
    const [topM, footM] = [hitM(this.tiltDeg() + this.halfAngleDeg()), hitM(this.tiltDeg() - this.halfAngleDeg())];
    const seenTopM = Math.min(this.facadeHeightM(), topM);
    const seenFootM = Math.max(0, footM);
    const [cameraX, eyeY] = [xOf(distanceM), yOf(eyeM)];
    return {
      groundY,
      facadeX,
      topY: yOf(this.facadeHeightM()),
      cameraX,
      eyeY,
      cone: `M${cameraX},${eyeY}L${facadeX},${Math.max(0, yOf(topM))}L${facadeX},${Math.min(groundY, yOf(footM))}Z`,
      seenTopY: yOf(seenTopM),
      seenFootY: yOf(seenFootM),
      levels: this.marks().map((mark) => ({ x: xOf(mark.distanceM), text: mark.text })),
    };
  });

  protected drag({ xPx }: PlacePx): void {
    const metres = (this.view().facadeX - xPx) / this.pxPerM();
    this.moved.emit(Math.max(1, Math.round(metres * 4) / 4));
  }

  protected step({ by }: HandleStep): void {
    this.moved.emit(Math.max(1, this.distanceM() + by * STEP_M));
  }
}
