import { useQuery } from '@tanstack/react-query';
import css from '../features/courses/path.module.css';
import { PathGraph } from '../features/courses/PathGraph';
import { courseQueries } from '../features/courses/queries';
import { OwnPlans } from '../features/planning/OwnPlans';
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
            <OwnPlans />
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
  const { path, places, next } = course;
  const at = new Map(places.map((step) => [step.exerciseId, step]));
  const steps = new Map(path.steps.map((step) => [step.exerciseId, step]));
  const done = places.filter(({ place }) => place.state === 'done').length;
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
            {next.map((one) => (
              <Next
                key={one.exerciseId}
                of={one}
                step={steps.get(one.exerciseId)}
                at={at.get(one.exerciseId)}
              />
            ))}
          </ol>
          {next.length === 0 && <p>All of it is done.</p>}
          <PathGraph steps={path.steps} places={at} />
        </>
      )}
    </section>
  );
}

function Next(props: {
  of: Schemas['NextExercise'];
  step: Schemas['ShownStep'] | undefined;
  at: Schemas['StepPlace'] | undefined;
}) {
  const say = useSay();
  const { of, step, at } = props;
  return (
    <li>
      <b>{step?.name}</b>
      {of.warmUp && <p>{say(of.warmUp)}.</p>}
      <p>{of.how}</p>
      {of.caution && <p className="field-error">{of.caution}</p>}
      <p className="quiet">
        Done with {say(step?.doneWhen)}. So far: {say(at?.place.words)}.
      </p>
    </li>
  );
}
