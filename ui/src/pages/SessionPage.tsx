import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { SessionNotes } from '../features/floor/Notes';
import { Attendance } from '../features/sessions/Attendance';
import { hoursOf } from '../features/sessions/hours';
import { sessionQueries } from '../features/sessions/queries';
import { SessionKeys } from '../features/sessions/SessionKeys';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { day } from '../shared/time';

/** One session, whenever it is: when and where, who came, and what everybody did in it. */
export function SessionPage() {
  const { sessionId = '' } = useParams();
  const session = useQuery(sessionQueries.one(sessionId));
  return (
    <Loaded of={asLoading(session)} what="the session">
      {(data) => (
        <Page
          title={data.title}
          under={
            <>
              {day(data.heldOn)} {data.heldOn.slice(0, 4)}, {hoursOf(data) || 'hours not noted'},{' '}
              {data.roomName}
              {data.courseId && (
                <>
                  ,{' '}
                  <Link to={`/courses/${data.courseId}`}>
                    {data.courseName === data.title ? 'the course' : data.courseName}
                  </Link>
                </>
              )}
            </>
          }
          back={{ to: `/courses/calendar?from=${data.heldOn}`, label: 'Back to the calendar' }}
        >
          {data.cancelled !== null && (
            <p className="trouble" role="status">
              Cancelled{data.cancelled && `: ${data.cancelled}`}
            </p>
          )}
          <div className="stack">
            <section className="panel stack" aria-label="Session" key={data.id}>
              <SessionKeys session={data} />
            </section>
            <Attendance sessionId={data.id} />
            <SessionNotes sessionId={data.id} />
          </div>
        </Page>
      )}
    </Loaded>
  );
}
