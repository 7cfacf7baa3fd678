import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { Forgetting } from '../features/keeping/Forgetting';
import { HeldRecord } from '../features/keeping/HeldRecord';
import { KeepingForm } from '../features/keeping/KeepingForm';
import { keepingQueries } from '../features/keeping/queries';
import { PictureLeave } from '../features/looking/PictureLeave';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { useMe } from '../shared/useMe';
import { oneStudentTabs } from './studentTabs';

/** How long what is kept is kept. */
export const KeepingPage = () => (
  <div className="stack">
    <KeepingForm />
  </div>
);

/** All that is kept of a student. */
export function RecordPage() {
  const { studentId = '' } = useParams();
  const whose = useQuery(keepingQueries.held(studentId)).data?.student.name;
  return (
    <Page
      title={whose ?? 'Record'}
      under="All that is kept of them"
      back={{ to: '/students', label: 'Back to the students' }}
      aside={<Tabs name="Student" tabs={oneStudentTabs(studentId)} />}
    >
      <HeldRecord key={studentId} studentId={studentId} may />
    </Page>
  );
}

/** All that is kept of oneself. */
export function MyRecordPage() {
  const me = useMe().data;
  return (
    me && (
      <div className="stack">
        <HeldRecord studentId={me.id} may={false} />
        <PictureLeave />
      </div>
    )
  );
}

/** Forgetting a student. */
export function ForgetPage() {
  const { studentId = '' } = useParams();
  return (
    <Page
      title="Forget a student"
      under="Shown before it is done; not to be undone"
      back={{ to: `/students/${studentId}/record`, label: 'Back to the record' }}
    >
      <Forgetting key={studentId} studentId={studentId} />
    </Page>
  );
}
