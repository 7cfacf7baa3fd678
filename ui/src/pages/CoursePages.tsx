import { Button, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Outlet, useNavigate, useOutletContext, useParams } from 'react-router';
import { CalendarFiles } from '../features/courses/CalendarFiles';
import { CourseForm } from '../features/courses/CourseForm';
import css from '../features/courses/courses.module.css';
import { courseQueries } from '../features/courses/queries';
import { PathEditor } from '../features/courses/PathEditor';
import { PlacesPanel } from '../features/courses/PlacesPanel';
import { RosterPanel } from '../features/courses/RosterPanel';
import { TimetablePanel } from '../features/courses/TimetablePanel';
import { asTyped, hoursOf } from '../features/sessions/hours';
import { HoursFields } from '../features/sessions/SessionForm';
import { answer, api, type Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { tellDone } from '../shared/notices';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { day, dayWithYear, today } from '../shared/time';
import { Trouble } from '../shared/Trouble';
import { ofTheOne, useEntry } from '../shared/useEntry';
import lists from './lists.module.css';

/** A course to make. */
export function NewCoursePage() {
  const goTo = useNavigate();
  return (
    <Page title="New course" back={{ to: '/courses', label: 'Back to the courses' }}>
      <div className={lists.narrow}>
        <CourseForm
          onDone={(id) => {
            tellDone('The course is made. Next: its sessions, and who is on it.');
            void goTo(`/courses/${id}`);
          }}
        />
      </div>
    </Page>
  );
}

/** The head of a course's pages. */
export function CourseFrame() {
  const { courseId = '' } = useParams();
  const course = useQuery(courseQueries.one(courseId));
  const at = `/courses/${courseId}`;
  return (
    <Loaded of={asLoading(course)} what="the course">
      {(data) => (
        <Page
          title={data.name}
          under={`${data.roomName}, ${day(data.firstDay)} to ${dayWithYear(data.lastDay)}`}
          back={{ to: '/courses', label: 'Back to the courses' }}
          aside={
            <Tabs
              name="Course"
              tabs={[
                { to: at, label: 'Sessions', end: true },
                { to: `${at}/roster`, label: 'Roster' },
                { to: `${at}/path`, label: 'Path' },
                { to: `${at}/progress`, label: 'Progress' },
                { to: `${at}/details`, label: 'Days and hours' },
              ]}
            />
          }
        >
          <Outlet context={data} />
        </Page>
      )}
    </Loaded>
  );
}

const useCourse = () => useOutletContext<Schemas['Course']>();

/** A course's sessions: those there are, and those to be made. */
export function CourseSessionsPage() {
  const course = useCourse();
  const sessions = useQuery(courseQueries.sessions(course.id));
  return (
    <div className="two-columns even">
      <section className="panel stack" aria-label="Sessions">
        <h2>Sessions</h2>
        <Loaded of={asLoading(sessions)} what="the sessions">
          {(all) => (
            <>
              {all.length === 0 && <p className="quiet">None yet: make them from its days and hours.</p>}
              <ol className={`plain-list ${css.list}`}>
                {all.map((session) => (
                  <li key={session.id}>
                    <Link to={`/sessions/${session.id}`}>
                      <b>
                        {day(session.heldOn)}, {hoursOf(session)}
                      </b>
                      <span className="quiet">
                        {[
                          session.heldOn === today() && 'today',
                          session.title !== course.name && session.title,
                          session.roomId !== course.roomId && session.roomName,
                          session.cancelled !== null &&
                            (session.cancelled ? `cancelled: ${session.cancelled}` : 'cancelled'),
                        ]
                          .filter(Boolean)
                          .join(', ')}
                      </span>
                    </Link>
                  </li>
                ))}
              </ol>
            </>
          )}
        </Loaded>
      </section>
      <div className="stack">
        <TimetablePanel course={course} />
        <AddSession course={course} />
        <CalendarFiles course={course} />
      </div>
    </div>
  );
}

function AddSession({ course }: { course: Schemas['Course'] }) {
  const first = course.hours[0];
  const { form, pending, submit, trouble } = useEntry(
    {
      title: '',
      heldOn: today(),
      begins: asTyped(first?.begins ?? null),
      ends: asTyped(first?.ends ?? null),
    },
    ({ title, heldOn, begins, ends }, id) =>
      answer(
        api.PUT('/api/courses/{id}/sessions', {
          params: { path: { id: course.id } },
          body: { sessions: [{ id, title, day: heldOn, begins, ends }] },
        }),
      ).catch(ofTheOne('sessions')),
    () => tellDone('The session is in the calendar.'),
  );
  return (
    <form className="panel stack" aria-label="One more session" onSubmit={submit}>
      <h2>One more</h2>
      <TextInput label="Title" placeholder={course.name} maxLength={80} {...form.getInputProps('title')} />
      <HoursFields form={form} />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" variant="default" loading={pending}>
        Add the session
      </Button>
    </form>
  );
}

/** Who is on a course. */
export function CourseRosterPage() {
  const course = useCourse();
  return (
    <div className="two-columns even">
      <RosterPanel course={course} />
      <PlacesPanel course={course} />
    </div>
  );
}

/** The exercises of a course, and which come before which. */
export function CoursePathPage() {
  return <PathEditor course={useCourse()} />;
}

/** What a course is, to be changed. */
export function CourseDetailsPage() {
  const course = useCourse();
  const [saved, setSaved] = useState(0);
  return (
    <div className={lists.narrow}>
      <CourseForm
        key={saved}
        course={course}
        onDone={() => {
          setSaved(saved + 1);
          tellDone('The course is changed. Sessions that are there stay.');
        }}
      />
    </div>
  );
}
