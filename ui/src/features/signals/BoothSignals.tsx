import { useQuery } from '@tanstack/react-query';
import { LoadTrouble } from '../../shared/Loaded';
import { floorQueries } from '../floor/queries';
import { useClock } from '../floor/useClock';
import { SignalBand } from './SignalBand';
import { useSignal } from './useSignal';

const second = 1_000;

/** What whoever stands at a booth is called to: the instructor's answer, the end of their slot, a stop. */
export function BoothSignals({ until, standing }: { until: string | null; standing: boolean }) {
  const stop = useQuery(floorQueries.stop());
  const now = useClock(second);
  useSignal('stop', stop.data && (stop.data.stop?.id ?? null), true);
  useSignal('slotEnd', until !== null && Date.parse(until) <= now ? until : null);
  return (
    <>
      <LoadTrouble of={stop} what="whether everything is stopped" />
      {standing && <Answered />}
      <SignalBand />
    </>
  );
}

/** A hand that an instructor has seen to. */
function Answered() {
  const hand = useQuery(floorQueries.hand());
  useSignal('answer', hand.data && (hand.data.answer?.id ?? null));
  return <LoadTrouble of={hand} what="your hand" />;
}
