import { VisuallyHidden } from '@mantine/core';
import { IconLock, IconLockOpen, IconPinFilled } from '@tabler/icons-react';
import { type KeyboardEvent, useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import { clock } from '../../shared/time';
import { useSay } from '../../shared/words/useSay';
import { type Board, draftOf, lock, type Place, put, samePlace, standAt, swap } from './board';
import css from './planning.module.css';
import type { PlanKeys } from './usePlan';

/** What is dragged: somebody from a place of the board, or from the list beside it. */
type Dragged = { from: Place } | { studentId: string };
const dragType = 'application/x-plan';

export const dragged = (what: Dragged) => ({
  draggable: true,
  onDragStart: (event: React.DragEvent) => event.dataTransfer.setData(dragType, JSON.stringify(what)),
});

/** The board: slots across, booths down. A place is chosen by tap or Enter, what stands there moved by dragging it or by keys. */
export function PlanGrid(props: {
  board: Board;
  plan: PlanKeys;
  chosen: Place | null;
  lifted: Place | null;
  onChoose: (place: Place) => void;
  onLift: (place: Place | null) => void;
}) {
  const { board, plan, chosen, lifted, onChoose, onLift } = props;
  const table = useRef<HTMLTableElement>(null);
  const { stands } = draftOf(board);
  const change = (next: ReturnType<typeof put>) => next && plan.change({ stands: next });
  const drop = (what: Dragged, to: Place) => {
    onLift(null);
    change('from' in what ? swap(board, stands, what.from, to) : put(board, stands, what.studentId, to));
  };
  const tap = (place: Place) => {
    onChoose(place);
    if (lifted && !samePlace(lifted, place)) drop({ from: lifted }, place);
  };
  const keys: Record<string, (place: Place) => void> = {
    p: (place) => change(pin(stands, place)),
    Delete: (place) => change(stands.filter((stand) => stand !== standAt(stands, place))),
    m: (place) => onLift(lifted ? null : place),
    Escape: () => onLift(null),
  };
  const onKey = (event: KeyboardEvent, place: Place) => {
    const [down, across] = arrows[event.key] ?? [0, 0];
    if (down || across) {
      event.preventDefault();
      const row = board.booths.findIndex(({ id }) => id === place.boothId) + down;
      table.current?.querySelector<HTMLElement>(`[data-place="${row}:${place.slot + across}"]`)?.focus();
      return;
    }
    if (keys[event.key] && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      keys[event.key]?.(place);
    }
  };
  const first = chosen ?? { slot: 0, boothId: board.booths[0]?.id ?? '' };
  return (
    <div className={css.scroll}>
      <table className={css.board} ref={table}>
        <VisuallyHidden component="caption">Who stands where: slots across, booths down</VisuallyHidden>
        <thead>
          <tr>
            <th scope="col">Booth</th>
            {board.slots.map((slot, at) => (
              <SlotHead
                key={slot.begins}
                board={board}
                at={at}
                onLock={(on) => change(lock(stands, at, on))}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          {board.booths.map((booth, row) => (
            <tr key={booth.id}>
              <th scope="row">
                <b>{booth.number}</b>
                {booth.machines.map(({ id, name, downFrom }) => (
                  <span key={id} className={css.machine} data-down={downFrom !== null}>
                    {name}
                  </span>
                ))}
              </th>
              {board.slots.map((slot, at) => {
                const place = { slot: at, boothId: booth.id };
                return (
                  <td
                    key={slot.begins}
                    onDragOver={(event) =>
                      event.dataTransfer.types.includes(dragType) && event.preventDefault()
                    }
                    onDrop={(event) =>
                      drop(JSON.parse(event.dataTransfer.getData(dragType)) as Dragged, place)
                    }
                  >
                    <Cell
                      board={board}
                      place={place}
                      booth={booth.number}
                      chosen={samePlace(chosen, place)}
                      lifted={samePlace(lifted, place)}
                      name={`${row}:${at}`}
                      stop={samePlace(first, place)}
                      onTap={() => tap(place)}
                      onKey={(event) => onKey(event, place)}
                    />
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

const arrows: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

const pin = (stands: Schemas['Stand'][], place: Place) => {
  const at = standAt(stands, place);
  return at ? stands.map((stand) => (stand === at ? { ...stand, pinned: !stand.pinned } : stand)) : null;
};

function SlotHead(props: { board: Board; at: number; onLock: (on: boolean) => void }) {
  const { board, at } = props;
  const say = useSay();
  const stands = draftOf(board).stands.filter(({ slot }) => slot === at);
  const locked = stands.length > 0 && stands.every(({ pinned }) => pinned);
  const begins = clock(board.slots[at]?.begins ?? '00:00');
  const broken = board.broken.filter(({ slot, boothId }) => slot === at && boothId === null);
  return (
    <th scope="col" data-now={at === board.nowSlot && new Date(board.session.beginsAt) < new Date()}>
      <div className={css.slot}>
        <span>{begins}</span>
        <button
          type="button"
          className={css.lock}
          aria-pressed={locked}
          aria-label={locked ? `Let ${begins} go` : `Hold ${begins} as it is`}
          title={locked ? 'Let go: the plan may change it' : 'Hold as it is'}
          disabled={stands.length === 0}
          onClick={() => props.onLock(!locked)}
        >
          {locked ? <IconLock size={20} /> : <IconLockOpen size={20} />}
        </button>
      </div>
      {broken.map(({ words }, i) => (
        <p key={i} className={css.broken}>
          {say(words)}
        </p>
      ))}
    </th>
  );
}

function Cell(props: {
  board: Board;
  place: Place;
  booth: number;
  chosen: boolean;
  lifted: boolean;
  name: string;
  stop: boolean;
  onTap: () => void;
  onKey: (event: KeyboardEvent) => void;
}) {
  const { board, place } = props;
  const say = useSay();
  const shown = board.stands.find(
    ({ stand }) => stand.slot === place.slot && stand.boothId === place.boothId,
  );
  const broken = board.broken.filter(({ slot, boothId }) => slot === place.slot && boothId === place.boothId);
  const student = board.students.find((one) => one.student.id === shown?.stand.studentId)?.student.name;
  return (
    <button
      type="button"
      className={css.cell}
      data-place={props.name}
      data-chosen={props.chosen}
      data-lifted={props.lifted}
      data-broken={broken.length > 0}
      tabIndex={props.stop ? 0 : -1}
      onClick={props.onTap}
      onKeyDown={props.onKey}
      {...(shown && dragged({ from: place }))}
    >
      <VisuallyHidden>
        Booth {props.booth}, {clock(board.slots[place.slot]?.begins ?? '00:00')}:{' '}
      </VisuallyHidden>
      {shown ? (
        <>
          <b className={css.who}>
            {shown.stand.pinned && <IconPinFilled size={14} aria-label="pinned" />}
            {student ?? 'Not there'}
          </b>
          <span>{shown.exerciseName}</span>
          {shown.firstTry && <span className="quiet">first try</span>}
          {shown.changeMinutes > 0 && <span className="quiet">change over, {shown.changeMinutes} min</span>}
        </>
      ) : (
        <span className="quiet">nobody</span>
      )}
      {broken.map(({ words }, i) => (
        <span key={i} className={css.broken}>
          {say(words)}
        </span>
      ))}
    </button>
  );
}
