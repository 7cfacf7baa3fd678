import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import type { CSSProperties } from 'react';
import type { Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { serverNow } from '../../shared/serverClock';
import { BoothCard } from './BoothCard';
import { BoothTile } from './BoothTile';
import css from './floor.module.css';
import { nextTurn } from './order';
import { useClock } from './useClock';
import { useOrder } from './useOrder';

const BoothDialog = lazy(() => import('./BoothDialog'));

// From here on booths are tiles.
const mostCards = 4;
const often = 15_000;

// Clocks agree to this, ms: whoever asks later than a moment by it finds it past.
const sure = 3_000;

// Up to here a tile has room for keys of its own.
const mostRoomy = 6;

// As many beside one another as make rows of which four fill a screen; a few fill it in two.
const columnsFor = (booths: number) => Math.max(3, Math.ceil(booths / (booths <= mostRoomy ? 2 : 4)));

/** The booths of the room, who needs somebody first; what is done at one of them comes up when it is touched. */
export function Floor({ room, inOrder }: { room: Schemas['RoomView']; inOrder: boolean }) {
  const { session, booths, waiting } = room;
  const [openId, setOpenId] = useState<string | null>(null);
  const grid = useRef<HTMLDivElement>(null);
  const now = useClock(often);
  const shown = useOrder(booths, grid, inOrder);
  useTurns(booths);
  const open = booths.find(({ booth }) => booth.id === openId);
  const few = booths.length <= mostCards;
  return (
    <>
      <div
        ref={grid}
        className={few ? css.cards : css.tiles}
        data-wide={!few || undefined}
        style={{ '--columns': columnsFor(booths.length) } as CSSProperties}
      >
        {shown.map((view) => {
          const onOpen = () => setOpenId(view.booth.id);
          return few ? (
            <BoothCard
              key={view.booth.id}
              view={view}
              sessionId={session?.id}
              waiting={waiting}
              now={now}
              onOpen={onOpen}
            />
          ) : (
            <BoothTile
              key={view.booth.id}
              view={view}
              sessionId={session?.id}
              waiting={waiting}
              now={now}
              roomy={booths.length <= mostRoomy}
              onOpen={onOpen}
            />
          );
        })}
      </div>
      <Suspense>
        {open && session && (
          <BoothDialog
            view={open}
            session={session}
            booths={booths}
            waiting={waiting}
            now={now}
            onClose={() => setOpenId(null)}
          />
        )}
      </Suspense>
    </>
  );
}

/** Asks for the room again when somebody has been quiet for long enough: time itself tells no notice. */
function useTurns(booths: Schemas['BoothView'][]) {
  const queries = useQueryClient();
  const turn = nextTurn(booths);
  useEffect(() => {
    if (turn === undefined) return;
    const look = () => void queries.invalidateQueries({ queryKey: inRoom('tonight') });
    const wait = setTimeout(look, Math.max(often, turn - serverNow() + sure));
    return () => clearTimeout(wait);
  }, [turn, queries]);
}
