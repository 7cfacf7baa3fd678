import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { faceRows } from './faceRows';
import { MeasureList } from './MeasureList';

/** What the eye measured, and why it is not surer. */
export function FaceMeasures({ seen }: { seen: Schemas['FaceSeen'] }) {
  const inch = useUnits().units === 'inch';
  return (
    <MeasureList
      rows={faceRows.flatMap(([name, of]) => {
        const value = of(seen.measures, inch);
        return value ? [[name, ...value]] : [];
      })}
      notSurer={seen.notSurer}
    />
  );
}
