import { ChangeDetectionStrategy, Component, computed, effect, type ElementRef, input, viewChild } from '@angular/core';
import type { SightDrawn } from '../workers/sight/sight-jobs';

/** A view as the camera would show it, drawn as large as there is room for. */
@Component({
  selector: 'rd-sight-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <canvas #canvas role="img" [attr.aria-label]="sentence()" [style.aspect-ratio]="aspect()" [class.full]="isFull()"></canvas>
  `,
  styles: `
    :host {
      display: block;
    }
    canvas {
      display: block;
      width: 100%;
      max-height: 70vh;
      object-fit: contain;
      background: var(--dark);
      filter: var(--picture-filter);
    }
    canvas.full {
      filter: none;
    }
  `,
})
export class SightPicture {
  readonly picture = input.required<SightDrawn | null>();
  readonly sentence = input.required<string>();
  /** At its own brightness in the night theme too. */
  readonly isFull = input(false);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly aspect = computed(() => {
    const picture = this.picture();
    return picture === null ? '3 / 2' : `${picture.width} / ${picture.height}`;
  });

  constructor() {
    effect(() => {
      const picture = this.picture();
      if (picture === null) return;
      const { nativeElement } = this.canvas();
      nativeElement.width = picture.width;
      nativeElement.height = picture.height;
      nativeElement.getContext('2d')?.putImageData(new ImageData(picture.pixels, picture.width, picture.height), 0, 0);
    });
  }
}
