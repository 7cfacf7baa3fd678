import { Button, Select, Textarea } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { moment } from '../../shared/time';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import css from './progress.module.css';
import { progressQueries } from './queries';

type Kind = Schemas['RemarkKind'];
type Readers = Schemas['RemarkReaders'];

const kinds: Record<Kind, string> = {
  skill: 'Skill',
  safety: 'Safety',
  help: 'What helps',
  conduct: 'Conduct',
  other: 'Other',
};
const readers: Record<Readers, string> = {
  me: 'Only me',
  instructors: 'All instructors',
  student: 'The student too',
};
const choices = <T extends string>(words: Record<T, string>) =>
  (Object.keys(words) as T[]).map((value) => ({ value, label: words[value] }));

/** What instructors keep in mind of a student, each for whoever it is for; a student sees what is for them. */
export function Remarks({ studentId, may }: { studentId: string; may: boolean }) {
  const remarks = useQuery(progressQueries.remarks(studentId));
  // What is taken back stays on this screen until it is left, so that it can be put back.
  const [taken, setTaken] = useState<Schemas['Remark'][]>([]);
  return (
    <section className="panel stack" aria-label="Remarks">
      <h2>{may ? 'Remarks' : 'What your instructors say'}</h2>
      <Loaded of={asLoading(remarks)} what="the remarks">
        {(all) => (
          <>
            {all.length === 0 && <p className="quiet">Nothing yet.</p>}
            <ul className="plain-list stack">
              {withTaken(all, taken).map((remark) => (
                <OneRemark
                  key={remark.id}
                  studentId={studentId}
                  remark={remark}
                  may={may}
                  gone={taken.some(({ id }) => id === remark.id)}
                  onTaken={(gone) =>
                    setTaken((before) => [
                      ...before.filter(({ id }) => id !== remark.id),
                      ...(gone ? [remark] : []),
                    ])
                  }
                />
              ))}
            </ul>
          </>
        )}
      </Loaded>
      {may && <AddRemark studentId={studentId} />}
    </section>
  );
}

const withTaken = (all: Schemas['Remark'][], taken: Schemas['Remark'][]) =>
  [...all, ...taken.filter(({ id }) => !all.some((one) => one.id === id))].sort((one, other) =>
    other.at.localeCompare(one.at),
  );

function OneRemark(props: {
  studentId: string;
  remark: Schemas['Remark'];
  may: boolean;
  gone: boolean;
  onTaken: (gone: boolean) => void;
}) {
  const { studentId, remark, may, gone, onTaken } = props;
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: (withdrawn: boolean) =>
      answer(
        api.PUT('/api/students/{id}/remarks/{remarkId}/withdrawn', {
          params: { path: { id: studentId, remarkId: remark.id } },
          body: { withdrawn },
        }),
      ),
    onSuccess: (_, withdrawn) => onTaken(withdrawn),
    onError: () => queries.invalidateQueries({ queryKey: inRoom('progress', studentId, 'remarks') }),
  });
  return (
    <li>
      <span data-gone={gone} className={css.remark}>
        {remark.text}
      </span>
      <p className="quiet">
        {kinds[remark.kind]}; {remark.by}, {moment(remark.at)}
        {may && `; for ${readers[remark.readers].toLowerCase()}`}
      </p>
      {may && remark.mine && (
        <Button
          variant="subtle"
          loading={withdraw.isPending}
          aria-label={gone ? `Put back: ${remark.text}` : `Take back: ${remark.text}`}
          onClick={() => withdraw.mutate(!gone)}
        >
          {gone ? 'Put it back' : 'Take it back'}
        </Button>
      )}
      {withdraw.isError && <Trouble error={withdraw.error} />}
    </li>
  );
}

function AddRemark({ studentId }: { studentId: string }) {
  const { form, pending, submit, trouble } = useEntry<Schemas['NewRemark'], unknown>(
    { kind: 'skill', readers: 'instructors', text: '' },
    (body, remarkId) =>
      answer(
        api.PUT('/api/students/{id}/remarks/{remarkId}', {
          params: { path: { id: studentId, remarkId } },
          body,
        }),
      ),
  );
  return (
    <form className={css.entry} aria-label="Add a remark" onSubmit={submit}>
      <Textarea label="Remark" autosize minRows={2} maxLength={1000} {...form.getInputProps('text')} />
      <Select label="About" data={choices(kinds)} allowDeselect={false} {...form.getInputProps('kind')} />
      <Select label="For" data={choices(readers)} allowDeselect={false} {...form.getInputProps('readers')} />
      <Button type="submit" loading={pending}>
        Keep it
      </Button>
      {trouble && <Trouble error={trouble} />}
    </form>
  );
}
