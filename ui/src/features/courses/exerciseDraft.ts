import type { Schemas } from '../../shared/api/client';

export type Draft = Omit<Schemas['ExerciseRequest'], 'editionId' | 'edition' | 'job'>;
export type Job = Schemas['JobRequest'];

/** A new exercise: what is usual for practice. */
export const emptyDraft = (): Draft => ({
  name: '',
  criteria: 'practice',
  proof: 'beads',
  done: { right: 3, outOf: 3, onceMore: true },
  pieces: [{ form: 'flatBar', thicknessMm: 3.175, widthMm: 50, longMm: 150, count: 2 }],
  beadsACoupon: 2,
  minutesABead: 2,
  before: [],
  how: '',
  caution: '',
});

/** An exercise as it is changed. */
export const draftOf = ({ exercise }: Schemas['KnownExercise']): Draft => ({
  name: exercise.name,
  criteria: exercise.criteria,
  proof: exercise.proof,
  done: exercise.done,
  pieces: exercise.pieces,
  beadsACoupon: exercise.beadsACoupon,
  minutesABead: exercise.minutesABead,
  before: exercise.before,
  how: exercise.how,
  caution: exercise.caution,
});

/** A job of nothing yet. */
export const emptyJob = (): Job => ({
  thickness: '',
  otherThickness: null,
  joint: 't',
  position: 'flat',
  process: null,
  metal: null,
  wire: null,
  gas: null,
  polarity: null,
});

/** An exercise's job as it was typed. */
export const jobOf = ({ exercise: { job } }: Schemas['KnownExercise']): Job => ({
  thickness: job.thickness.typed,
  otherThickness: job.otherThickness?.typed ?? null,
  joint: job.joint,
  position: job.position,
  process: job.process ?? null,
  metal: job.metal ?? null,
  wire: job.wire ?? null,
  gas: job.gas ?? null,
  polarity: job.polarity ?? null,
});
