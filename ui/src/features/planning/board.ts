import type { Schemas } from '../../shared/api/client';

export type Board = Schemas['PlanBoard'];
export type Stand = Schemas['Stand'];
export type Settings = Schemas['PlanSettings'];

/** What is kept of a plan: how it is planned, and who stands where. */
export interface Draft {
  settings: Settings;
  stands: Stand[];
}

/** A place on the board. */
export interface Place {
  slot: number;
  boothId: string;
}

export const samePlace = (one: Place | null, other: Place) =>
  one !== null && one.slot === other.slot && one.boothId === other.boothId;

export const draftOf = (board: Board): Draft => ({
  settings: board.settings,
  stands: board.stands.map(({ stand }) => stand),
});

export const standAt = (stands: Stand[], { slot, boothId }: Place) =>
  stands.find((stand) => stand.slot === slot && stand.boothId === boothId);

/** What a student would work on at a booth, and with what: their first task that one of its machines can be used for. */
export function fitAt(board: Board, studentId: string, boothId: string) {
  const machines = board.booths.find(({ id }) => id === boothId)?.machines ?? [];
  const tasks = board.students.find(({ student }) => student.id === studentId)?.tasks ?? [];
  for (const task of tasks) {
    const machine = machines.find(({ id }) => task.machines.includes(id));
    if (machine) return { exerciseId: task.exerciseId, machineId: machine.id };
  }
  // Nothing fits: it is put there all the same, and the board says why that cannot be.
  const [task, machine] = [tasks[0], machines[0]];
  return task && machine ? { exerciseId: task.exerciseId, machineId: machine.id } : null;
}

/** Somebody put at a place: away from where they stood in that slot, and in the place of whoever stood there. */
export function put(board: Board, stands: Stand[], studentId: string, to: Place): Stand[] | null {
  const fit = fitAt(board, studentId, to.boothId);
  if (fit === null) return null;
  const others = stands.filter(
    (stand) => stand.slot !== to.slot || (stand.studentId !== studentId && stand.boothId !== to.boothId),
  );
  return [...others, { ...to, ...fit, studentId, pinned: true }];
}

/** Whoever stands at one place goes to the other, and whoever stands there comes back in exchange. */
export function swap(board: Board, stands: Stand[], from: Place, to: Place): Stand[] | null {
  const moving = standAt(stands, from);
  if (!moving) return null;
  const coming = standAt(stands, to);
  const rest = stands.filter((stand) => stand !== moving && stand !== coming);
  const moved = put(board, rest, moving.studentId, to);
  return moved && coming ? put(board, moved, coming.studentId, from) : moved;
}

/** A slot held as it is, or let go. */
export const lock = (stands: Stand[], slot: number, pinned: boolean) =>
  stands.map((stand) => (stand.slot === slot ? { ...stand, pinned } : stand));

/** The board with what is being kept, at once: the rest of what it says comes with the server's answer. */
export function withDraft(board: Board, { settings, stands }: Draft): Board {
  const names = new Map(
    board.students.flatMap(({ tasks }) => tasks.map(({ exerciseId, name }) => [exerciseId, name] as const)),
  );
  return {
    ...board,
    edition: board.edition + 1,
    settings,
    stands: stands.map(
      (stand) =>
        board.stands.find((shown) => shown.stand === stand) ?? {
          stand,
          exerciseName: names.get(stand.exerciseId) ?? '',
          change: null,
          changeMinutes: 0,
          firstTry: false,
        },
    ),
  };
}
