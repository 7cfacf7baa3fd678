import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { progressQueries } from '../features/progress/queries';
import { StudentProgress } from '../features/progress/StudentProgress';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { useMe } from '../shared/useMe';
import { oneStudentTabs } from './studentTabs';

/** An instructor's look at what one student can weld. */
export function ProgressPage() {
  const { studentId = '' } = useParams();
  const whose = useQuery(progressQueries.skills(studentId)).data?.student.name;
  return (
    <Page
      title={whose ?? 'Progress'}
      under="What they can weld, and how sure that is"
      back={{ to: '/students', label: 'Back to the students' }}
      aside={<Tabs name="Student" tabs={oneStudentTabs(studentId)} />}
    >
      <StudentProgress key={studentId} studentId={studentId} may />
    </Page>
  );
}

/** What one can weld oneself. */
export function MyProgressPage() {
  const me = useMe().data;
  return me && <StudentProgress studentId={me.id} may={false} />;
}
