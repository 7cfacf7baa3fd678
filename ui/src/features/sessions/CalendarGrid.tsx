import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { dayOfMonth, today } from '../../shared/time';
import { weekdays } from '../../shared/words';
import css from './calendar.module.css';
import { hoursOf } from './hours';
import { weekNumber } from './weeks';

type Session = Schemas['Session'];
const names = Object.values(weekdays);

/** Weeks of sessions, a row a week and a column a day; one week alone shows more of each. */
export function CalendarGrid(props: { weeks: string[][]; sessions: Session[]; several: boolean }) {
  const { weeks, several } = props;
  const of = new Map<string, Session[]>();
  for (const session of props.sessions) {
    of.set(session.heldOn, [...(of.get(session.heldOn) ?? []), session]);
  }
  const one = weeks.length === 1;
  return (
    <div className="scroll-x">
      <table className={css.grid} data-one={one}>
        <thead>
          <tr>
            <th scope="col">Week</th>
            {names.map((name) => (
              <th key={name} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {weeks.map((week) => (
            <tr key={week[0]}>
              <th scope="row">{weekNumber(week[0] ?? '')}</th>
              {week.map((date) => (
                <td key={date} data-today={date === today()}>
                  <span className={css.date}>{dayOfMonth(date)}</span>
                  {(of.get(date) ?? []).map((session) => (
                    <Entry key={session.id} session={session} full={one} room={several} />
                  ))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Entry({ session, full, room }: { session: Session; full: boolean; room: boolean }) {
  const off = session.cancelled !== null;
  return (
    <Link to={`/sessions/${session.id}`} className={css.entry} data-off={off}>
      <span className={css.hours}>{hoursOf(session) || 'hours not noted'}</span>
      <b>{session.title}</b>
      {off && <span>cancelled{full && session.cancelled && `: ${session.cancelled}`}</span>}
      {room && <span className="quiet">{session.roomName}</span>}
    </Link>
  );
}
