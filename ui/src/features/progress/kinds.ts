import type { Schemas } from '../../shared/api/client';
import { joints, positions, processes } from '../../shared/words';

type Kind = Schemas['KindOfWork'];

/** Whether two kinds of work are the same. */
export const isSame = (one: Kind | undefined, other: Kind) =>
  one?.process === other.process && one.joint === other.joint && one.position === other.position;

const order = <T extends string>(words: Record<T, string>) => {
  const places = Object.keys(words);
  return (one: T, other: T) => places.indexOf(one) - places.indexOf(other);
};
const byProcess = order(processes);
const byJoint = order(joints);

/** The rows and columns of a map that holds these kinds of work: only what there is, in the order of the trade. */
export function rowsOf(kinds: Kind[]) {
  const pairs = [...new Map(kinds.map((kind) => [`${kind.process} ${kind.joint}`, kind])).values()].sort(
    (one, other) => byProcess(one.process, other.process) || byJoint(one.joint, other.joint),
  );
  const used = new Set(kinds.map((kind) => kind.position));
  return {
    rows: pairs.map(({ process, joint }, at) => ({
      process,
      joint,
      first: pairs[at - 1]?.process !== process,
    })),
    columns: (Object.keys(positions) as Schemas['Position'][]).filter((position) => used.has(position)),
  };
}
