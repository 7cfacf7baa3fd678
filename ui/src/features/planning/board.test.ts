import { describe, expect, it } from 'vitest';
import { type Board, fitAt, lock, put, type Stand, swap, withDraft } from './board';

const said = { say: '', with: [] };
const task = (exerciseId: string, ...machines: string[]) => ({
  exerciseId,
  name: exerciseId,
  why: said,
  firstTry: false,
  machines,
});
const student = (id: string, ...tasks: ReturnType<typeof task>[]) => ({
  student: { id, name: id },
  tasks,
  from: 0,
  until: null,
  notServed: null,
});
const booth = (id: string, number: number, machine: string) => ({
  id,
  number,
  machines: [{ id: machine, name: machine, load: said, downFrom: null }],
});
const board = {
  edition: 4,
  booths: [booth('one', 1, 'mig'), booth('two', 2, 'tig')],
  students: [
    student('ada', task('bead', 'mig'), task('puddle', 'tig')),
    student('ben', task('bead', 'mig')),
    student('cleo'),
  ],
  stands: [],
} as unknown as Board;
const stand = (slot: number, boothId: string, studentId: string, exerciseId = 'bead'): Stand => ({
  slot,
  boothId,
  machineId: boothId === 'one' ? 'mig' : 'tig',
  studentId,
  exerciseId,
  pinned: false,
});

describe('the plan board', () => {
  it('puts somebody at what a machine of the booth can do, and out of where they stood in that slot', () => {
    const stands = [stand(0, 'one', 'ada'), stand(1, 'one', 'ada')];
    expect(put(board, stands, 'ada', { slot: 0, boothId: 'two' })).toEqual([
      stand(1, 'one', 'ada'),
      { ...stand(0, 'two', 'ada', 'puddle'), pinned: true },
    ]);
  });

  it('puts somebody where nothing fits all the same, so that the board says why not; not where there is nothing to do', () => {
    expect(fitAt(board, 'ben', 'two')).toEqual({ exerciseId: 'bead', machineId: 'tig' });
    expect(fitAt(board, 'cleo', 'one')).toBeNull();
    expect(put(board, [], 'cleo', { slot: 0, boothId: 'one' })).toBeNull();
  });

  it('lets two change places, and somebody take an empty one', () => {
    const [from, to] = [
      { slot: 0, boothId: 'one' },
      { slot: 0, boothId: 'two' },
    ];
    const both = swap(board, [stand(0, 'one', 'ada'), stand(0, 'two', 'ben')], from, to);
    expect(both?.map(({ boothId, studentId }) => `${boothId} ${studentId}`).sort()).toEqual([
      'one ben',
      'two ada',
    ]);
    expect(swap(board, [stand(0, 'one', 'ada')], from, to)?.map(({ boothId }) => boothId)).toEqual(['two']);
    expect(swap(board, [], from, to)).toBeNull();
  });

  it('holds a slot and no other', () => {
    const held = lock([stand(0, 'one', 'ada'), stand(1, 'one', 'ben')], 0, true);
    expect(held.map(({ pinned }) => pinned)).toEqual([true, false]);
  });

  it('shows at once what is being kept, as the next edition', () => {
    const shown = withDraft(board, { settings: board.settings, stands: [stand(0, 'two', 'ada', 'puddle')] });
    expect(shown.edition).toBe(5);
    expect(shown.stands[0]?.exerciseName).toBe('puddle');
  });
});
