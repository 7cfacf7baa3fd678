import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { roomQueries } from '../features/rooms/queries';
import { CalendarGrid } from '../features/sessions/CalendarGrid';
import { sessionQueries } from '../features/sessions/queries';
import { later, mondayOf, weeksFrom } from '../features/sessions/weeks';
import { Choice } from '../shared/Choice';
import { asLoading, Loaded, LoadTrouble } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { dayOfMonth, dayWithYear, today } from '../shared/time';
import { courseTabs } from './CoursesPage';

const spans = { week: 'A week', term: 'A term' };
type Span = keyof typeof spans;

// A term is shown in pieces that a year has four of.
const weeksOf: Record<Span, number> = { week: 1, term: 13 };

/** Sessions by the calendar: a week, or a term of them. */
export function CalendarPage() {
  const [search, setSearch] = useSearchParams();
  const span: Span = search.get('span') === 'term' ? 'term' : 'week';
  const monday = mondayOf(search.get('from') ?? today());
  const days = 7 * weeksOf[span];
  const sessions = useQuery(sessionQueries.between(monday, later(monday, days - 1)));
  const rooms = useQuery(roomQueries.list());
  const show = (from: string, over: Span) => setSearch({ from, span: over }, { replace: true });
  return (
    <Page title="Calendar" aside={<Tabs name="Courses" tabs={courseTabs} />}>
      <section className="panel stack" aria-label="Calendar">
        <div className="naming">
          <Choice
            title="Show"
            words={spans}
            value={span}
            onChange={(value) => value && show(monday, value)}
          />
          <Button variant="default" onClick={() => show(later(monday, -days), span)}>
            Earlier
          </Button>
          <Button variant="default" onClick={() => show(mondayOf(today()), span)}>
            Now
          </Button>
          <Button variant="default" onClick={() => show(later(monday, days), span)}>
            Later
          </Button>
        </div>
        <h2>
          {dayOfMonth(monday)} to {dayWithYear(later(monday, days - 1))}
        </h2>
        <LoadTrouble of={rooms} what="the rooms" />
        <Loaded of={asLoading(sessions)} what="the sessions">
          {(all) => (
            <>
              <CalendarGrid
                weeks={weeksFrom(monday, weeksOf[span])}
                sessions={all}
                several={(rooms.data?.length ?? 0) > 1}
              />
              {all.length === 0 && <p className="quiet">No session in these days.</p>}
            </>
          )}
        </Loaded>
      </section>
    </Page>
  );
}
