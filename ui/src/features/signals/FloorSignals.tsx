import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { floorQueries } from '../floor/queries';
import { useClock } from '../floor/useClock';
import { SignalBand } from './SignalBand';
import { useSignal } from './useSignal';

const second = 1_000;

/** What an instructor is called to from the floor: a hand, the end of a slot, a stop. */
export default function FloorSignals(props: { sessionId: string; booths: Schemas['BoothView'][] }) {
  const floor = useQuery(floorQueries.now(props.sessionId));
  const stop = useQuery(floorQueries.stop());
  const now = useClock(second);
  const hands = props.booths.flatMap(({ hand }) => (hand ? [hand] : []));
  // The newest that is up; one that goes down is none.
  const newest = hands.reduce<Schemas['RaisedHand'] | null>(
    (last, hand) => (last && last.at > hand.at ? last : hand),
    null,
  );
  const over = floor.data?.phases.filter(({ slot, to }) => slot !== null && Date.parse(to) <= now).at(-1);
  useSignal('hand', newest?.id ?? null);
  useSignal('slotEnd', floor.data && (over ? `${over.slot}` : null));
  useSignal('stop', stop.data && (stop.data.stop?.id ?? null), true);
  return (
    <>
      <LoadTrouble of={floor} what="the session’s clock" />
      <LoadTrouble of={stop} what="whether everything is stopped" />
      <SignalBand />
    </>
  );
}
