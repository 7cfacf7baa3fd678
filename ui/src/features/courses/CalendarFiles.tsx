import { Button, FileButton } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { postFile } from '../../shared/postFile';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useLine } from '../../shared/words/useSay';
import css from './courses.module.css';
import { MakeSessions } from './TimetablePanel';

/** A course's calendar for other programs, and another program's calendar for the course. */
export function CalendarFiles({ course }: { course: Schemas['Course'] }) {
  return (
    <section className="panel stack" aria-label="Calendar files">
      <h2>Other calendars</h2>
      <Address course={course} />
      <ReadFile course={course} />
    </section>
  );
}

function Address({ course }: { course: Schemas['Course'] }) {
  const open = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/courses/{id}/calendar-address', { params: { path: { id: course.id } } })),
  });
  const address = open.data && new URL(open.data.path, location.origin).href;
  return (
    <>
      <p className="quiet">
        Sessions by day, hour and room; nobody’s name is in it. Whoever has the private address reads it, so
        make another where it went too far: the one before then ends.
      </p>
      <div className="row">
        <Button component="a" variant="default" href={`/api/courses/${course.id}/calendar.ics`} download>
          Calendar file
        </Button>
        <Button variant="default" loading={open.isPending} onClick={() => open.mutate()}>
          {address ? 'Another private address' : 'Make a private address'}
        </Button>
      </div>
      {open.isError && <Trouble error={open.error} />}
      {address && (
        <div role="status" className="stack">
          <p className={css.address}>{address}</p>
          <p className="quiet">It is shown this once. Give it to the calendar program as a subscription.</p>
        </div>
      )}
    </>
  );
}

function ReadFile({ course }: { course: Schemas['Course'] }) {
  const [read, setRead] = useState(0);
  const reading = useMutation({
    mutationFn: (file: File) =>
      postFile<Schemas['ProposedSession'][]>(`/api/courses/${course.id}/calendar/read`, file),
    onSuccess: () => setRead(read + 1),
  });
  const wrong = useLine(reading.error);
  return (
    <>
      <div className="row">
        <FileButton accept=".ics,text/calendar" onChange={(file) => file && reading.mutate(file)}>
          {(props) => (
            <Button variant="default" loading={reading.isPending} {...props}>
              Read a calendar file
            </Button>
          )}
        </FileButton>
      </div>
      {reading.isError && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {reading.data && (
        <MakeSessions
          key={read}
          courseId={course.id}
          proposed={reading.data}
          onMade={() => {
            tellDone('The sessions of the file are in the calendar.');
            reading.reset();
          }}
        />
      )}
    </>
  );
}
