import { AgreementPanel } from '../features/judging/AgreementPanel';
import { EyeAgreement } from '../features/looking/EyeAgreement';
import { AmongInstructors } from '../features/progress/AmongInstructors';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { studentTabs } from './StudentsPage';

/** How often the judge and the instructors agree. */
export const AgreementPage = () => (
  <Page title="How often you agree" aside={<Tabs name="Students" tabs={studentTabs} />}>
    <div className="stack">
      <AgreementPanel />
      <EyeAgreement />
      <AmongInstructors />
    </div>
  </Page>
);
