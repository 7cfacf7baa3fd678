import { useQuery } from '@tanstack/react-query';
import { area, line } from 'd3-shape';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { type Axis, Plane } from '../../shared/plane/Plane';
import { counted } from '../../shared/words';
import { dayOfMonth } from '../../shared/time';
import css from './progress.module.css';
import { progressQueries } from './queries';

type Day = Schemas['LearningDay'];

const dayLong = 86_400_000;
const at = (day: string) => new Date(`${day}T12:00`).getTime() / dayLong;
const tenths = (share: number) => Math.round(share * 10);

/** How one kind of work was learned: each evening's share, and what was known after it with its doubt. */
export function LearningCurve({ studentId, kind }: { studentId: string; kind: Schemas['KindOfWork'] }) {
  const curve = useQuery(progressQueries.curve(studentId, kind));
  return (
    <section className="panel stack" aria-label="Learning curve">
      <h2>Learning curve</h2>
      <Loaded of={asLoading(curve)} what="the learning curve">
        {(days) =>
          days.length === 0 ? (
            <p className="quiet">No bead counts yet: they wait for an instructor’s word.</p>
          ) : (
            <Curve days={days} />
          )
        }
      </Loaded>
    </section>
  );
}

function Curve({ days }: { days: Day[] }) {
  const known = days.filter((day): day is Day & { after: Schemas['Chance'] } => day.after !== null);
  const from = at(days[0]?.day ?? '');
  const to = at(days.at(-1)?.day ?? '');
  const margin = Math.max(3, (to - from) / 12);
  const about = Math.max(1, Math.ceil(days.length / 5));
  const x: Axis = {
    from: from - margin,
    to: to + margin,
    label: 'Evening',
    places: days
      .filter((_, place) => place % about === 0)
      .map((day) => ({ at: at(day.day), name: dayOfMonth(day.day) })),
  };
  const y: Axis = { from: 0, to: 10, label: 'Right, of 10' };
  return (
    <Plane
      tells={days.map((day) => tells(day)).join('. ')}
      x={x}
      y={y}
      caption="Dots: each evening, larger for more beads. Band: where the next bead’s chance lies, with 95 % surety."
      inside={({ x, y }) => (
        <>
          <path
            className={css.band}
            d={
              area<(typeof known)[number]>()
                .x((day) => x(at(day.day)))
                .y0((day) => y(day.after.low * 10))
                .y1((day) => y(day.after.high * 10))(known) ?? ''
            }
          />
          <path
            className={css.likely}
            d={
              line<(typeof known)[number]>()
                .x((day) => x(at(day.day)))
                .y((day) => y(day.after.likely * 10))(known) ?? ''
            }
          />
        </>
      )}
    >
      {({ x, y }) =>
        days.map((day) => (
          <circle
            key={day.day}
            className={css.evening}
            cx={x(at(day.day))}
            cy={y((day.right / day.beads) * 10)}
            r={3 + Math.sqrt(day.beads)}
          />
        ))
      }
    </Plane>
  );
}

const tells = (day: Day) =>
  `${dayOfMonth(day.day)}: ${day.right} of ${counted(day.beads, 'bead')} right` +
  (day.after ? `, the next one ${tenths(day.after.low)} to ${tenths(day.after.high)} times in 10` : '');
