import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { CourseTable, CourseTroubles } from '../features/progress/CourseTable';
import css from '../features/progress/progress.module.css';
import { progressQueries } from '../features/progress/queries';
import { asLoading, Loaded } from '../shared/Loaded';

/** Where a course's students stand, what it finds hard, and which machines fail people. */
export function CourseProgressPage() {
  const { courseId = '' } = useParams();
  const progress = useQuery(progressQueries.course(courseId));
  return (
    <Loaded of={asLoading(progress)} what="the course’s progress">
      {(of) =>
        of.students.length === 0 ? (
          <p className="panel empty">Nobody is on this course yet.</p>
        ) : (
          <div className="stack">
            <CourseTable progress={of} />
            <div className={css.columns}>
              <CourseTroubles progress={of} />
            </div>
            <div className="row">
              <Button component="a" href={`/api/courses/${courseId}/progress/csv`} variant="default" download>
                As a table (CSV)
              </Button>
              <Button
                component="a"
                href={`/api/courses/${courseId}/progress/report.pdf`}
                variant="default"
                download
              >
                Report on paper (PDF)
              </Button>
            </div>
          </div>
        )
      }
    </Loaded>
  );
}
