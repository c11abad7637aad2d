import fc from 'fast-check';
import { mergePatches, patchesBetween, applyPatches, invertPatches } from './patch';

const item = (id: string, more: object = {}) => ({ id, ...more });
const list = (...ids: string[]) => ({ walks: ids.map((id) => item(id)) });

describe('what differs', () => {
  it('is the fields that do, by their path', () => {
    const before = { walks: [item('w', { name: 'a', stops: [item('s', { notes: '', at: { x: 1 } })] })] };
    const after = { walks: [item('w', { name: 'a', stops: [item('s', { notes: 'wait', at: { x: 1 } })] })] };
    expect(patchesBetween(before, after)).toEqual([
      { path: ['walks', '@w', 'stops', '@s', 'notes'], op: 'set', before: '', after: 'wait' },
    ]);
  });
  it('is one move where one is enough', () => {
    expect(patchesBetween(list('a', 'b', 'c', 'd'), list('b', 'c', 'd', 'a'))).toEqual([
      { path: ['walks'], op: 'move', id: 'a', from: null, to: 'd' },
    ]);
    expect(patchesBetween(list('a', 'b', 'c', 'd'), list('d', 'a', 'b', 'c'))).toHaveLength(1);
  });
  it('is one field for all figures of a list without ids', () => {
    expect(patchesBetween({ crowd: [0, 1] }, { crowd: [0, 2] })).toEqual([
      { path: ['crowd'], op: 'set', before: [0, 1], after: [0, 2] },
    ]);
    expect(patchesBetween({ a: [1] }, { a: [1] })).toEqual([]);
  });
});

const leaf = fc.oneof(fc.integer({ min: 0, max: 3 }), fc.constantFrom('x', 'y', Infinity, null));
const record = fc.dictionary(fc.constantFrom('name', 'notes', 'mood'), leaf, { maxKeys: 3 });
const identified = (inner: fc.Arbitrary<object>) =>
  fc.uniqueArray(
    fc.tuple(fc.constantFrom('a', 'b', 'c', 'd', 'e'), inner).map(([id, rest]) => ({ ...rest, id })),
    { selector: ({ id }) => id, maxLength: 5 },
  );
const state = fc.record({
  walks: identified(fc.tuple(record, identified(record)).map(([own, stops]) => ({ ...own, stops }))),
  settings: record,
});

describe('patches', () => {
  it('lead from any state to any other, and back', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const patches = patchesBetween(before, after);
        const there = applyPatches(before, patches, { isStrict: true });
        expect(there).toEqual({ data: after, misfits: [] });
        expect(applyPatches(there.data, invertPatches(patches), { isStrict: true })).toEqual({ data: before, misfits: [] });
      }),
      { numRuns: 500 },
    );
  });
  it('in fewer lead to the same', () => {
    fc.assert(
      fc.property(fc.array(state, { minLength: 2, maxLength: 5 }), (states) => {
        const all = states.slice(1).flatMap((next, k) => patchesBetween(states[k], next));
        const fewer = mergePatches(all);
        expect(fewer.length).toBeLessThanOrEqual(all.length);
        expect(applyPatches(states[0], fewer).data).toEqual(states.at(-1));
        expect(applyPatches(states.at(-1), invertPatches(fewer)).data).toEqual(states[0]);
      }),
      { numRuns: 300 },
    );
  });
  it('do together what they do one after the other, with the same ones left over', () => {
    // Of three states in any order: what leads from one to another rarely fits the third.
    fc.assert(
      fc.property(state, state, state, fc.boolean(), (here, from, to, isStrict) => {
        const patches = [...patchesBetween(from, to), ...patchesBetween(to, here)];
        const together = applyPatches(here, patches, { isStrict });
        let [data, misfits] = [here as unknown, [] as unknown[]];
        for (const patch of patches) {
          const one = applyPatches(data, [patch], { isStrict });
          [data, misfits] = [one.data, [...misfits, ...one.misfits]];
        }
        expect(together.data).toEqual(data);
        expect(together.misfits).toEqual(misfits);
      }),
      { numRuns: 500 },
    );
  });
  it('never change the data that they are made on', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const kept = structuredClone(before);
        applyPatches(before, patchesBetween(before, after));
        expect(before).toEqual(kept);
      }),
    );
  });
  it('leave what they do not change the same object', () => {
    const before = { walks: [item('a', { stops: [] }), item('b', { stops: [] })], settings: {} };
    const { data } = applyPatches(before, [{ path: ['walks', '@a', 'name'], op: 'set', before: undefined, after: 'x' }]);
    expect([data.settings === before.settings, data.walks[1] === before.walks[1]]).toEqual([true, true]);
  });
});

describe('undo by patches', () => {
  const own = patchesBetween({ walks: [item('w', { name: 'a', notes: '' })] }, { walks: [item('w', { name: 'b', notes: '' })] });

  it('takes back its own and leaves another’s', () => {
    const since = { walks: [item('w', { name: 'b', notes: 'theirs' }), item('new')] };
    expect(applyPatches(since, invertPatches(own), { isStrict: true })).toEqual({
      data: { walks: [item('w', { name: 'a', notes: 'theirs' }), item('new')] },
      misfits: [],
    });
  });
  it('does not take back what has been changed since, and says which', () => {
    const since = { walks: [item('w', { name: 'c', notes: '' })] };
    const { data, misfits } = applyPatches(since, invertPatches(own), { isStrict: true });
    expect([data === since, misfits.length]).toEqual([true, 1]);
    expect(applyPatches({ walks: [] }, invertPatches(own), { isStrict: true }).misfits).toHaveLength(1);
  });
  it('does not remove what another has worked on since', () => {
    const added = patchesBetween({ walks: [] }, { walks: [item('w', { name: 'a' })] });
    const since = { walks: [item('w', { name: 'theirs' })] };
    expect(applyPatches(since, invertPatches(added), { isStrict: true })).toMatchObject({
      data: since,
      misfits: [{ op: 'remove' }],
    });
  });
});
