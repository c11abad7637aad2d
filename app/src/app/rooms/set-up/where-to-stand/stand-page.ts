import { FRAMING_FIELDS } from '@roam-dial/core/stop';
import { codecOf } from '../../../fields/field-codec';
import { fieldReading } from '../../../shared/field-reading';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Lens } from '@roam-dial/core/kit';
import {
  cameraHeightForLevelM,
  distanceForPersonShareM,
  edgeLeanDeg,
  fieldAtDistance,
  heightRatio,
  levelFacade,
  personHeightShare,
  presetZones,
  standForRatioM,
  standWhereTopsMeetM,
  tiltForFacade,
} from '@roam-dial/core/optics';
import { DEFAULT_FRAMING, type Framing, scaledZone, type Stop } from '@roam-dial/core/stop';
import { DEG_PER_RAD } from '@roam-dial/core/units';
import { FacadeSection } from './facade-section';
import { FrameView } from './frame-view';
import { TwoThingsView } from './two-things';
import { StopActions } from '../../../state/walk/stop.actions';
import { withoutHand } from '../../../state/walk/stop.edits';
import { CheckField } from '../../../fields/check-field';
import { ValueField } from '../../../fields/value-field';
import { distanceCodec } from '../../../fields/codec';
import { RoomState } from '../room-state';
/** Every full stop of the table is shown; the rest would not fit a hand. */
const MOST_COLUMNS = 7;
const HALF_FRAME = 0.5;

interface LensChoice {
  readonly lens: Lens;
  readonly focalLengthMm: number;
}

/** Both ends of a zoom, and the length in use. */
function choicesOf(lenses: readonly Lens[], inUse: LensChoice): readonly LensChoice[] {
  return lenses.flatMap((lens) => {
    const own = lens.id === inUse.lens.id ? [inUse.focalLengthMm] : [];
    const lengths = new Set([lens.shortestMm, ...own, lens.longestMm]);
    return [...lengths].sort((a, b) => a - b).map((focalLengthMm) => ({ lens, focalLengthMm }));
  });
}

/** Where to stand: who fills the frame, façades without leaning, near against far, and the zone table of the lens. */
@Component({
  selector: 'rd-stand-page',
  imports: [CheckField, FacadeSection, FrameView, MatButtonModule, TwoThingsView, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './stand-page.html',
  styleUrls: ['../page.scss', './stand-page.scss'],
})
export class StandPage {
  private readonly room = inject(RoomState);
  private readonly stopActions = inject(StopActions);
  protected readonly wording = this.room.wording;

  private readonly reading = fieldReading();
  protected readonly length = computed(() => codecOf(FRAMING_FIELDS.gapM, this.reading()));
  protected readonly height = computed(() => codecOf(FRAMING_FIELDS.facadeHeightM, this.reading()));
  /** As the room lets one stand: not from the ends of the world. */
  protected readonly passing = computed(() => distanceCodec(this.reading().lengthUnit, { low: 0.3, high: 5000 }));
  protected readonly framing = computed<Framing>(() => this.room.card()?.stop.framing ?? DEFAULT_FRAMING);
  private readonly frame = computed(() => {
    const card = this.room.card();
    if (card === null) return null;
    const { sensorWidthMm, sensorHeightMm } = card.kit.body;
    const { isUpright } = this.framing();
    return isUpright
      ? { uprightMm: sensorWidthMm, acrossMm: sensorHeightMm, isUpright }
      : { uprightMm: sensorHeightMm, acrossMm: sensorWidthMm, isUpright };
  });

  protected readonly frames = computed(() => {
    const [card, frame] = [this.room.card(), this.frame()];
    if (card === null || frame === null) return null;
    const { kit, stop } = card;
    const wording = this.wording();
    const distanceM = stop.subject.medianM;
    const choices = choicesOf(card.lensesInBag, kit)
      .filter(({ focalLengthMm }) => distanceM > (focalLengthMm / 1000) * 1.01)
      .map(({ lens, focalLengthMm }) => {
        const { uprightMm, acrossMm } = frame;
        const share = personHeightShare({ focalLengthMm, uprightMm, distanceM });
        const field = fieldAtDistance({ focalLengthMm, sensorWidthMm: acrossMm, sensorHeightMm: uprightMm, distanceM });
        const halfM = distanceForPersonShareM({ focalLengthMm, uprightMm, share: HALF_FRAME });
        return {
          key: `${lens.id}/${focalLengthMm}`,
          lens,
          focalLengthMm,
          name: `${Number(focalLengthMm.toFixed(1))} mm`,
          lensName: lens.name,
          share,
          shareText: share > 1 ? `${wording.percent(share)}: cut off` : wording.percent(share),
          width: wording.distance(field.widthM),
          half: wording.distance(halfM),
          isInUse: lens.id === kit.lens.id && focalLengthMm === kit.focalLengthMm,
        };
      });
    return { distanceM, aspect: frame.acrossMm / frame.uprightMm, choices };
  });

  protected readonly facade = computed(() => {
    const [card, frame] = [this.room.card(), this.frame()];
    if (card === null || frame === null) return null;
    const { focalLengthMm } = card.kit;
    const { facadeHeightM, facadeDistanceM: distanceM } = this.framing();
    const wording = this.wording();
    const lens = { focalLengthMm, uprightMm: frame.uprightMm };
    const stand = levelFacade({ ...lens, facadeHeightM });
    const tilt = tiltForFacade({ ...lens, facadeHeightM, distanceM });
    const lean = edgeLeanDeg({ focalLengthMm, acrossMm: frame.acrossMm, tiltDeg: tilt.tiltDeg });
    const cameraM = cameraHeightForLevelM({ ...lens, facadeHeightM, distanceM });
    const isLevel = tilt.tiltDeg === 0;
    const lost = tilt.footLostM > 0.05 ? ` It then loses the lowest ${wording.distance(tilt.footLostM)}.` : '';
    return {
      distanceM,
      facadeHeightM,
      distanceText: wording.distance(distanceM),
      tiltDeg: tilt.tiltDeg,
      halfAngleDeg: Math.atan2(frame.uprightMm / 2, focalLengthMm) * DEG_PER_RAD,
      marks: [
        { distanceM: stand.fromEyeM, text: `level from ${wording.distance(stand.fromEyeM)}` },
        { distanceM: stand.fromHalfwayM, text: wording.distance(stand.fromHalfwayM) },
      ],
      level: wording.distance(stand.fromEyeM),
      halfway: wording.distance(stand.fromHalfwayM),
      answer: isLevel
        ? `At ${wording.distance(distanceM)} the top is in the frame with the camera level: uprights stay upright.`
        : `At ${wording.distance(distanceM)} look up ${tilt.tiltDeg.toFixed(0)}°, and uprights at the sides lean in by ${lean.toFixed(1)}°; or hold the camera level ${wording.distance(cameraM)} up.${lost}`,
    };
  });

  protected readonly things = computed(() => {
    const { nearHeightM, farHeightM, gapM, nearDistanceM } = this.framing();
    const wording = this.wording();
    const ratio = heightRatio({ nearHeightM, farHeightM, gapM, distanceM: nearDistanceM });
    const equalM = withinReach(standForRatioM({ nearHeightM, farHeightM, gapM, ratio: 1 }));
    const topsM = withinReach(standWhereTopsMeetM({ nearHeightM, farHeightM, gapM }));
    return {
      nearHeightM,
      farHeightM,
      gapM,
      nearDistanceM,
      answer: `From ${wording.distance(nearDistanceM)} the far one comes out ${ratioText(ratio)} the near one.`,
      equal: equalM === null ? 'they are never as tall as one another' : `as tall as one another from ${wording.distance(equalM)}`,
      tops: topsM === null ? 'their tops never stand level' : `tops level from ${wording.distance(topsM)}`,
      equalM,
      topsM,
    };
  });

  protected readonly zones = computed(() => {
    const [cells, found, card] = [this.room.cells(), this.room.found(), this.room.card()];
    if (cells === null || found === null || card === null) return null;
    const { controls, circleMm } = cells.scene;
    const { lens, focalLengthMm } = card.kit;
    const wording = this.wording();
    const every = Math.max(1, Math.ceil(controls.fNumbers.length / MOST_COLUMNS));
    const fNumbers = controls.fNumbers.filter((_, k) => k % every === 0);
    const rows = presetZones({ focalLengthMm, circleOfConfusionMm: circleMm, fNumbers, focusDistancesM: controls.focusM });
    const { nearM, farM } = card.stop.subject;
    return {
      isPreset: lens.engravedDistancesM.length > 0,
      heads: fNumbers.map((fNumber) => wording.aperture(fNumber, lens.clickStep)),
      rows: rows.map((cellsOfRow, k) => {
        const focusM = controls.focusM[k] as number;
        return {
          focus: wording.exactDistance(focusM),
          strides: wording.strides(focusM, card.standard.strideM),
          cells: cellsOfRow.map(({ fNumber, sharp }) => ({
            fNumber,
            focusM,
            text: sharp === null ? '–' : wording.shortRange(sharp.nearM, sharp.farM),
            holds: sharp !== null && sharp.nearM <= nearM && sharp.farM >= farM,
            isHere: found.hand.fNumber === fNumber && found.hand.focusM === focusM,
          })),
        };
      }),
    };
  });

  protected useLens(lens: Lens, focalLengthMm: number): void {
    const card = this.room.card();
    if (card !== null) this.stopActions.change(card, 'lens', (stop) => ({ ...withoutHand(stop), lensId: lens.id, focalLengthMm }));
  }

  protected setDistance(medianM: number): void {
    this.adjust('distance', (stop) => ({ ...stop, subject: scaledZone(stop.subject, medianM / stop.subject.medianM) }));
  }

  protected setFraming(change: Partial<Framing>): void {
    this.adjust('framing', (stop) => ({ ...stop, framing: { ...(stop.framing ?? DEFAULT_FRAMING), ...change } }));
  }

  protected setZone(fNumber: number, focusM: number): void {
    const card = this.room.card();
    if (card !== null)
      this.stopActions.setHand(card, card.input.approach.focus === 'fixedZone' ? { fNumber, focusM } : { fNumber });
  }

  private adjust(part: string, change: (stop: Stop) => Stop): void {
    const card = this.room.card();
    if (card !== null) this.stopActions.adjust(card, part, change);
  }
}

/** Nearer than an arm's length nobody stands before a thing. */
function withinReach(distanceM: number | null): number | null {
  return distanceM !== null && distanceM >= 0.3 && distanceM <= 5000 ? distanceM : null;
}

function ratioText(ratio: number): string {
  if (Math.abs(ratio - 1) < 0.02) return 'as tall as';
  return ratio > 1 ? `${ratio.toFixed(1)} times as tall as` : `${Math.round(ratio * 100)} % as tall as`;
}
