import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { StreetCut } from '@roam-dial/core/streets';
import type { Wording } from '../../../words/wording';
import { elementWidth } from '../../../drawing/element-size';
import { lengthOf, rayEnd, sectionScale } from './street-section.geometry';

const HEAD_M = 1.6;
const PERSON_M = 1.7;

/** The street cut across at the stop, to scale: its walls, what of them and of the road is lit, and the sun's ray. */
@Component({
  selector: 'rd-street-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './street-section.html',
  styleUrl: './street-section.scss',
})
export class StreetSectionDrawing {
  readonly cut = input.required<StreetCut>();
  readonly contrastEv = input.required<number>();
  readonly wording = input.required<Wording>();
  readonly height = input(250);

  protected readonly width = elementWidth(340);
  protected readonly scale = computed(() => sectionScale(this.cut(), this.width(), this.height()));
  protected readonly ground = computed(() => this.scale().y(0));
  protected readonly walls = computed(() => {
    const { leftM, rightM, leftHeightM, rightHeightM, litLeftWall, litRightWall } = this.cut();
    const { x, y } = this.scale();
    return [
      { side: 'left', face: x(leftM), out: 0, heightM: leftHeightM, lit: litLeftWall },
      { side: 'right', face: x(rightM), out: this.width(), heightM: rightHeightM, lit: litRightWall },
    ]
      .filter(({ heightM }) => heightM > 0)
      .map(({ side, face, out, heightM, lit }) => ({
        side,
        x: Math.min(face, out),
        width: Math.abs(face - out),
        y: y(heightM),
        face: side === 'left' ? face : face - 5,
        label: this.wording().exactDistance(Math.round(heightM * 10) / 10),
        labelX: side === 'left' ? face - 6 : face + 6,
        anchor: side === 'left' ? 'end' : 'start',
        lit: lit.map(({ fromM, toM }) => ({ y: y(toM), height: y(fromM) - y(toM) })),
      }));
  });
  protected readonly litGround = computed(() => {
    const { x } = this.scale();
    return this.cut().litGround.map(({ fromM, toM }) => ({ x: x(fromM), width: x(toM) - x(fromM) }));
  });
  protected readonly person = computed(() => {
    const { x, y } = this.scale();
    return { x: x(0), head: y(HEAD_M), top: y(PERSON_M), foot: y(0) };
  });
  protected readonly isPersonLit = computed(() => this.cut().litGround.some(({ fromM, toM }) => fromM <= 0 && toM >= 0));
  protected readonly ray = computed(() => rayEnd(this.cut().profileDeg, this.scale(), 0, HEAD_M, this.width()));
  protected readonly road = computed(() => {
    const { leftM, rightM } = this.cut();
    const { x } = this.scale();
    return { from: x(leftM), to: x(rightM), label: `${this.wording().distance(rightM - leftM)} across` };
  });
  protected readonly sentence = computed(() => {
    const { leftM, rightM, litGround, litLeftWall, litRightWall, leftHeightM, rightHeightM, profileDeg } = this.cut();
    if (profileDeg === null) return 'The sun is down: the street has the sky and its lamps.';
    const share = Math.round((100 * lengthOf(litGround)) / (rightM - leftM));
    const wall = (name: string, lit: number, heightM: number): string =>
      heightM === 0
        ? `nothing stands on the ${name}`
        : lit === 0
          ? `the ${name} wall is in shade`
          : `${this.wording().distance(lit)} of the ${name} wall are lit`;
    const walls = [wall('left', lengthOf(litLeftWall), leftHeightM), wall('right', lengthOf(litRightWall), rightHeightM)];
    return `${share === 0 ? 'None' : `${share} %`} of the ground across is lit, ${walls.join(', ')}.`;
  });
}
