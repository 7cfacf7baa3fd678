import { useQuery } from '@tanstack/react-query';
import css from '../features/courses/path.module.css';
import { PathGraph } from '../features/courses/PathGraph';
import { courseQueries } from '../features/courses/queries';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { useSay } from '../shared/words/useSay';

/** A student's courses: what comes next and why, and the whole path. */
export function MyCoursePage() {
  const mine = useQuery(courseQueries.mine());
  return (
    <Loaded of={asLoading(mine)} what="your course">
      {(all) =>
        all.length === 0 ? (
          <div className="panel empty">
            <p>You are on no course now.</p>
          </div>
        ) : (
          <div className="stack">
            {all.map((course) => (
              <OwnCourse key={course.id} course={course} />
            ))}
          </div>
        )
      }
    </Loaded>
  );
}

function OwnCourse({ course }: { course: Schemas['OwnCourse'] }) {
  const say = useSay();
  const { path, places } = course;
  const at = new Map(places.steps.map((step) => [step.exerciseId, step]));
  const steps = new Map(path.steps.map((step) => [step.exerciseId, step]));
  const done = places.steps.filter(({ place }) => place.state === 'done').length;
  return (
    <section className="panel stack" aria-label={course.name}>
      <h2>{course.name}</h2>
      {path.steps.length === 0 ? (
        <p className="quiet">It has no path yet.</p>
      ) : (
        <>
          <p>
            {done} of {path.steps.length} done
          </p>
          <h3>Next</h3>
          <ol className={`plain-list ${css.next}`}>
            {places.next.slice(0, 3).map((id) => {
              const { exercise, doneWhen } = steps.get(id) ?? {};
              return (
                <li key={id}>
                  <b>{exercise?.name}</b>
                  <p>{exercise?.how}</p>
                  {exercise?.caution && <p className="field-error">{exercise.caution}</p>}
                  <p className="quiet">
                    Done with {say(doneWhen)}. So far: {say(at.get(id)?.place.words)}.
                  </p>
                </li>
              );
            })}
          </ol>
          {places.next.length === 0 && <p>All of it is done.</p>}
          <PathGraph steps={path.steps} places={at} />
        </>
      )}
    </section>
  );
}
