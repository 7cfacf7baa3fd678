import { expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import { stepInHand, waitingSteps } from './waitingSteps';

const bead = (trialId: string | null, step: number) => ({
  kind: 'bead' as const,
  body: JSON.stringify({ trial: trialId && { trialId, step, freshPiece: true } }),
});

it('reads the steps of one trial from the beads that wait, and from nothing else', () => {
  const picture = { kind: 'picture' as const, body: new Blob(['{"trial":{"trialId":"a","step":9}}']) };
  const sweep = { kind: 'sweep' as const, body: JSON.stringify({ trial: { trialId: 'a', step: 8 } }) };
  expect(
    waitingSteps([bead('a', 2), bead('b', 1), bead(null, 0), picture, sweep, bead('a', 1)], 'a'),
  ).toEqual([2, 1]);
});

it('goes on with the first open step that does not wait, until there is none', () => {
  const trial = {
    plan: { steps: [{ number: 1 }, { number: 2 }, { number: 3 }] },
    openSteps: [2, 3],
  } as Schemas['MyTrial'];
  expect(stepInHand(trial, [])?.number).toBe(2);
  expect(stepInHand(trial, [2])?.number).toBe(3);
  expect(stepInHand(trial, [2, 3])).toBeNull();
  expect(stepInHand({ ...trial, openSteps: [] }, [])).toBeNull();
});
