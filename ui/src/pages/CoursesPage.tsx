import { Button } from '@mantine/core';
import { Link } from 'react-router';
import { courseQueries } from '../features/courses/queries';
import css from '../features/courses/courses.module.css';
import type { Schemas } from '../shared/api/client';
import { Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { ShowMore } from '../shared/ShowMore';
import { clock, day, dayWithYear, today } from '../shared/time';
import { usePages } from '../shared/usePages';
import { weekdays } from '../shared/words';

export const courseTabs = [
  { to: '/courses', label: 'Courses', end: true },
  { to: '/courses/calendar', label: 'Calendar' },
  { to: '/courses/exercises', label: 'Exercises' },
  { to: '/sessions', label: 'Sessions' },
  { to: '/courses/stock', label: 'Stock' },
];

/** Every course: those that run and are to come before those that are over. */
export function CoursesPage() {
  const courses = usePages(courseQueries.list());
  return (
    <Page title="Courses" aside={<Tabs name="Courses" tabs={courseTabs} />}>
      <Loaded of={courses} what="the courses">
        {(all) => {
          const over = all.filter(({ lastDay }) => lastDay < today());
          const running = all.filter(({ lastDay }) => lastDay >= today());
          return all.length === 0 ? (
            <div className="panel empty">
              <p>
                No course yet. A course has a term, days and hours, a roster, and the sessions made of them.
              </p>
              <Button component={Link} to="/courses/new" size="lg">
                Make the first course
              </Button>
            </div>
          ) : (
            <div className="stack">
              <CourseList name="Courses" courses={running} />
              <div className="row">
                <Button component={Link} to="/courses/new">
                  New course
                </Button>
              </div>
              {over.length > 0 && <CourseList name="Over" courses={over} />}
              <ShowMore more={courses.more} coming={courses.coming} what="courses" />
            </div>
          );
        }}
      </Loaded>
    </Page>
  );
}

function CourseList({ name, courses }: { name: string; courses: Schemas['Course'][] }) {
  return (
    <section className="panel" aria-label={name}>
      <h2>{name === 'Over' ? 'Over' : 'Running, and to come'}</h2>
      {courses.length === 0 && <p className="quiet">None.</p>}
      <ul className={`plain-list ${css.list}`}>
        {courses.map((course) => (
          <li key={course.id}>
            <Link to={`/courses/${course.id}`}>
              <b>{course.name}</b>
              <span className="quiet">{lineOf(course)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

const lineOf = (course: Schemas['Course']) =>
  [
    course.roomName,
    course.hours
      .map((one) => `${weekdays[one.day]} ${clock(one.begins)} to ${clock(one.ends)}`)
      .join(' and '),
    `${day(course.firstDay)} to ${dayWithYear(course.lastDay)}`,
    course.instructors.map(({ name }) => name).join(' and '),
    `${course.students} ${course.students === 1 ? 'student' : 'students'}`,
  ]
    .filter(Boolean)
    .join(', ');
