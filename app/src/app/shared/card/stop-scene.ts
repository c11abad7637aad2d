import { ChangeDetectionStrategy, Component, effect, type ElementRef, input, viewChild } from '@angular/core';
import {
  DAYLIGHT_K,
  type FrameOfStop,
  keyOnMap,
  mapSizeOf,
  type Medium,
  paintScene,
  prepareMap,
  renderMap,
  sceneOfStop,
} from '@roam-dial/core/metering';

const ROWS = 204;
/** The key's edge, in the colour of a selection. */
const EDGE = [207, 58, 29] as const;

/** The frame of a stop as its card is metered on it: as it should come out, the key outlined. */
@Component({
  selector: 'rd-stop-scene',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <canvas #canvas role="img" [attr.aria-label]="sentence()"></canvas>
  `,
  styles: `
    canvas {
      display: block;
      width: 100%;
      max-width: 320px;
      margin: var(--space-2) 0;
      filter: var(--picture-filter);
    }
  `,
})
export class StopScene {
  readonly frame = input.required<FrameOfStop>();
  readonly medium = input.required<Medium>();
  readonly sentence = input.required<string>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');

  constructor() {
    effect(() => {
      const [frame, medium] = [this.frame(), this.medium()];
      const { nativeElement } = this.canvas();
      const size = mapSizeOf(frame, ROWS);
      const scene = sceneOfStop(frame);
      const map = prepareMap(paintScene(scene, size));
      const key = keyOnMap(map, scene.keys[0]);
      if (key === null) return;
      const pixels = renderMap(map, { medium, exposureEv: key.exposureEv, whiteBalanceK: DAYLIGHT_K, kelvin: scene.kelvin });
      for (let place = 0; place < map.ev.length - map.width; place++) {
        const isEdge = key.has(place) !== key.has(place + 1) || key.has(place) !== key.has(place + map.width);
        if (isEdge) pixels.set(EDGE, 4 * place);
      }
      nativeElement.width = size.width;
      nativeElement.height = size.height;
      nativeElement.getContext('2d')?.putImageData(new ImageData(pixels, size.width, size.height), 0, 0);
    });
  }
}
