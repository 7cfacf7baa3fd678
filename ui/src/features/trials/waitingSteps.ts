import type { Schemas } from '../../shared/api/client';
import type { Waiting } from '../../shared/outbox/db';

/** The steps of a trial whose beads wait on this screen to be sent, in the order they were laid. */
export const waitingSteps = (waiting: Pick<Waiting, 'kind' | 'body'>[], trialId: string): number[] =>
  waiting.flatMap(({ kind, body }) => {
    if (kind !== 'bead' || typeof body !== 'string') return [];
    const { trial } = JSON.parse(body) as Schemas['BeadRequest'];
    return trial?.trialId === trialId ? [trial.step] : [];
  });

/** The step to lay next: the first that is open and not among those that wait; null once there is none. */
export const stepInHand = ({ plan, openSteps }: Schemas['MyTrial'], waiting: number[]) => {
  const next = openSteps.find((number) => !waiting.includes(number));
  return plan.steps.find((step) => step.number === next) ?? null;
};
