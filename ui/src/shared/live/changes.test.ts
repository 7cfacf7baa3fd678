import { describe, expect, it } from 'vitest';
import { benchQueries } from '../../features/sessions/queries';
import { beadQueries } from '../../features/beads/queries';
import { sheetQueries } from '../../features/sheets/queries';
import { testWeldQueries } from '../../features/testWelds/queries';
import { touches } from './changes';
import { wrote } from './ownWrites';

const bead = { kind: 'bead', boothId: 'booth-1', studentId: 'ilsa', id: 'b7', beadId: 'b7' };
const job = {
  thickness: '3',
  otherThickness: null,
  joint: 't',
  position: 'flat',
  process: null,
  metal: null,
  wire: null,
  gas: null,
  polarity: null,
} as const;

describe('which query a notice makes old', () => {
  it.each([
    ['the bench it was laid at', benchQueries.bench('s1', 'booth-1'), true],
    ['another bench', benchQueries.bench('s1', 'booth-2'), false],
    ['its own file', beadQueries.file('b7'), true],
    ['another bead’s file', beadQueries.file('b6'), false],
    ['the room', benchQueries.tonight(), true],
    ['a test weld, which no bead changes', testWeldQueries.one('t1'), false],
    ['a sheet being computed', sheetQueries.sheet(job, { boothId: 'booth-1', machineId: 'm1' }, 's1'), false],
    ['what says nothing of the room', { meta: {} }, false],
  ])('a bead: %s', (_, query, old) => {
    expect(touches(bead, query)).toBe(old);
  });

  it('takes every bead’s file as old where the notice names none', () => {
    expect(touches({ ...bead, beadId: null }, beadQueries.file('b6'))).toBe(true);
  });

  it('leaves nothing of the room as it was when a session begins, or after a silence', () => {
    const begun = { kind: 'session', boothId: null, studentId: null };
    expect(touches(begun, beadQueries.file('b6'))).toBe(true);
    expect(touches(begun, benchQueries.tonight())).toBe(true);
  });

  it('brings a test weld up at an assessment', () => {
    expect(touches({ kind: 'test', boothId: 'booth-1', studentId: 'ilsa' }, testWeldQueries.one('t1'))).toBe(
      true,
    );
  });

  it('does not ask again for what the answer of the write has told already', () => {
    wrote('b8');
    const own = { ...bead, id: 'b8', beadId: 'b8' };
    expect(touches(own, benchQueries.bench('s1', 'booth-1'))).toBe(false);
    expect(touches(own, benchQueries.tonight())).toBe(true);
  });
});
