import type { LogFrame } from '@roam-dial/core/log';
import type { Return } from '@roam-dial/core/outing';
import { demoWorkspace } from '../../../testing/demo';
import { sightIdsOf } from './thumbnail-cleanup';

describe('what a workspace has small pictures of', () => {
  const { frames, walks, standard } = demoWorkspace();
  const [frame] = frames as [LogFrame];
  const scan = { name: 'S.TIF', bytes: 1, sightId: 'scanned' };

  it('is its frames, scanned film by its scan; the places of walks and returns; patches by body and ISO', () => {
    const [walk] = walks as [(typeof walks)[0]];
    const again = { stop: { ...walk.stops[0], id: 'elsewhere' } } as Return;
    const noise = { acceptedRatio: null, tests: [{ bodyId: 'one', points: [{ iso: 400, perPixel: 30, seen: 60 }] }] };
    const kept = sightIdsOf({
      frames: [frame, { ...frame, id: 'film', source: { kind: 'roll', rollId: 'r', number: 1, scan } }],
      walks: [{ ...walk, stops: walk.stops.slice(0, 1) }],
      returns: [again],
      standard: { ...standard, noise },
    });
    expect([...kept].sort()).toEqual(
      [frame.id, 'scanned', `places/${walk.stops[0]?.id}`, 'places/elsewhere', 'noise/one/400'].sort(),
    );
  });
});
