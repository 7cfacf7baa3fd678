import { Button, Select } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { courseQueries } from '../features/courses/queries';
import { FirstCodes } from '../features/people/FirstCodes';
import { StudentListPanel } from '../features/people/StudentListPanel';
import type { Chosen } from '../features/people/studentLines';
import { answer, api } from '../shared/api/client';
import { Loaded } from '../shared/Loaded';
import { inRoom } from '../shared/live/changes';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { today } from '../shared/time';
import { useIds } from '../shared/useIds';
import { Trouble } from '../shared/Trouble';
import { usePages } from '../shared/usePages';
import { studentTabs } from './StudentsPage';

/** Students from a list: read, put right line by line, made, put on a course, and their first codes to print. */
export function StudentListPage() {
  const [search] = useSearchParams();
  const [courseId, setCourseId] = useState(search.get('course'));
  const courses = usePages(courseQueries.list());
  const take = useTake(courseId);
  return (
    <Page title="Students from a list" aside={<Tabs name="Students" tabs={studentTabs} />}>
      {take.data ? (
        <div className="stack">
          {take.data.codes.length > 0 ? (
            <FirstCodes codes={take.data.codes} />
          ) : (
            <p className="panel">All of them have accounts, and have been in before: no codes are needed.</p>
          )}
          <div className="row">
            {courseId && (
              <Button component={Link} to={`/courses/${courseId}/roster`} variant="default">
                To the roster
              </Button>
            )}
            <Button variant="default" onClick={() => take.reset()}>
              Another list
            </Button>
          </div>
        </div>
      ) : (
        <div className="stack">
          <Loaded of={courses} what="the courses">
            {(all) => (
              <Select
                label="For the course"
                placeholder="None: accounts only"
                clearable
                data={all
                  .filter(({ lastDay }) => lastDay >= today())
                  .map(({ id, name, roomName }) => ({ value: id, label: `${name}, ${roomName}` }))}
                value={courseId}
                onChange={setCourseId}
                maw={640}
              />
            )}
          </Loaded>
          {take.isError && <Trouble error={take.error} />}
          <StudentListPanel pending={take.isPending} onTake={take.mutateAsync} />
        </div>
      )}
    </Page>
  );
}

function useTake(courseId: string | null) {
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  return useMutation({
    mutationFn: async ({ made, here }: Chosen) => {
      if (made.length > 0) await answer(api.PUT('/api/people/student-lists', { body: { students: made } }));
      const all = [...made.map(({ id }) => id), ...here];
      if (courseId) {
        await answer(
          api.PUT('/api/courses/{id}/roster', {
            params: { path: { id: courseId } },
            body: {
              students: all.map((studentId) => ({
                id: idOf([courseId, studentId]),
                studentId,
                firstDay: null,
              })),
            },
          }),
        );
      }
      return {
        codes: await answer(api.POST('/api/people/student-lists/first-codes', { body: { ids: all } })),
      };
    },
    onSuccess: () => {
      taken();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
  });
}
