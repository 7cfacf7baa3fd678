import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { backRows } from './backRows';
import { MeasureList } from './MeasureList';

/** What the eye measured behind a bead, and why it is not surer. */
export function BackMeasures({ seen }: { seen: Schemas['BackSeen'] }) {
  const inch = useUnits().units === 'inch';
  return (
    <MeasureList
      rows={backRows.map(([name, of]) => [name, ...of(seen.measures, inch)])}
      notSurer={seen.notSurer}
    />
  );
}
