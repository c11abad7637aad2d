import type { Archive } from '@roam-dial/core/formats/archive';
import { demoWorkspace } from '../../testing/demo';
import { importInto } from './transfer';

const WORKSPACE = demoWorkspace();
let made = 0;
const createId = (): string => `new-${++made}`;
const renamed = (name: string): Archive => ({
  ...WORKSPACE,
  districts: WORKSPACE.districts.map((district) => ({ ...district, name })),
});

describe('districts that come in with an archive', () => {
  it('are let be where they are the same', () => {
    const added = importInto(WORKSPACE, WORKSPACE, 'add', createId).workspace;
    expect(added.districts).toEqual(WORKSPACE.districts);
  });
  it('get a new id where another has theirs, and their walks go with them', () => {
    const added = importInto(WORKSPACE, renamed('Another Orrel'), 'add', createId).workspace;
    expect(added.districts.map(({ name }) => name)).toEqual(['Orrel, invented', 'Another Orrel']);
    const id = added.districts[1]?.id;
    expect(id).not.toBe('orrel');
    expect(added.walks.map(({ districtId }) => districtId)).toEqual(['orrel', 'orrel', id, id]);
  });
  it('take the place of all there is when that is asked for', () => {
    expect(importInto(WORKSPACE, renamed('Other'), 'replace', createId).workspace.districts.map(({ name }) => name)).toEqual([
      'Other',
    ]);
  });
});
