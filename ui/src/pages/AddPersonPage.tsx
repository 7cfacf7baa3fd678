import { AddPerson } from '../features/people/AddPerson';
import { tellDone } from '../shared/notices';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import css from './lists.module.css';
import { studentTabs } from './StudentsPage';

/** A new student or instructor. */
export const AddPersonPage = () => (
  <Page title="Add a student or an instructor" aside={<Tabs name="Students" tabs={studentTabs} />}>
    <div className={css.narrow}>
      <AddPerson onAdded={(person) => tellDone(`${person.name} is in.`)} />
    </div>
  </Page>
);
