import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { useSay } from '../../shared/words/useSay';
import css from './courses.module.css';
import { courseQueries } from './queries';

/** Where each student of a course stands on its path, and what comes next for them. */
export function PlacesPanel({ course }: { course: Schemas['Course'] }) {
  const path = useQuery(courseQueries.path(course.id));
  const places = useQuery(courseQueries.places(course.id));
  const say = useSay();
  return (
    <section className="panel stack" aria-label="Where they stand">
      <h2>Where they stand</h2>
      <Loaded of={asLoading(path)} what="the path">
        {({ steps }) => (
          <Loaded of={asLoading(places)} what="where they stand">
            {(all) =>
              steps.length === 0 ? (
                <p className="quiet">
                  The course has no path yet. <Link to={`/courses/${course.id}/path`}>Make one</Link>
                </p>
              ) : (
                <ul className="plain-list">
                  {all.map(({ student, done, next }) => (
                    <li key={student.id} className={css.standing} aria-label={student.name}>
                      <div>
                        <Link to={`/students/${student.id}`}>{student.name}</Link>
                        <p className="quiet">
                          {done} of {steps.length} done
                        </p>
                      </div>
                      <ul className="plain-list">
                        {next.map(({ exerciseId, place }) => (
                          <li key={exerciseId}>
                            {steps.find((step) => step.exerciseId === exerciseId)?.name}{' '}
                            <span className="quiet">{say(place.words)}</span>
                          </li>
                        ))}
                      </ul>
                    </li>
                  ))}
                </ul>
              )
            }
          </Loaded>
        )}
      </Loaded>
    </section>
  );
}
