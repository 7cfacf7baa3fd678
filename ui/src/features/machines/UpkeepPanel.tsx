import { Button, Checkbox, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { tellTrouble } from '../../shared/notices';
import { day } from '../../shared/time';
import type { Detail } from './useMachines';
import { useSay } from '../../shared/words/useSay';
import css from './machines.module.css';

/** Parts that wear, when they were last seen to, and what is due. */
export function UpkeepPanel({ detail }: { detail: Detail }) {
  return (
    <section className="panel" aria-label="Upkeep">
      <h2>Consumables and upkeep</h2>
      <ul className={css.upkeep}>
        {detail.upkeep.map((part) => (
          <PartRow key={part.part} machineId={detail.machineId} part={part} />
        ))}
      </ul>
      <p className="quiet">Usual intervals, common practice; the machine’s manual takes precedence.</p>
    </section>
  );
}

function PartRow({ machineId, part }: { machineId: string; part: Schemas['PartState'] }) {
  const say = useSay();
  const queries = useQueryClient();
  const [id, setId] = useState(newId);
  const [note, setNote] = useState('');
  const [replaced, setReplaced] = useState(false);
  const done = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/machines/{id}/upkeep/{upkeepId}', {
          params: { path: { id: machineId, upkeepId: id } },
          body: { part: part.part, note, replaced },
        }),
      ),
    onSuccess: async () => {
      setId(newId());
      setNote('');
      setReplaced(false);
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
    onError: tellTrouble,
  });
  return (
    <li className={part.due ? css.due : ''}>
      <div>
        <b>{say(part.name)}</b>{' '}
        {part.due ? (
          <span className={css.due}>due: {say(part.why)}</span>
        ) : (
          <span className="quiet">{say(part.why)}</span>
        )}
        <p className="quiet">
          {say(part.do)}
          {part.lastDone && `. Last ${day(part.lastDone)}`}
        </p>
      </div>
      <TextInput
        aria-label={`Note on the ${say(part.name).toLowerCase()}`}
        placeholder="note"
        maxLength={200}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <Checkbox
        label="New one"
        aria-label={`New one: ${say(part.name)}`}
        checked={replaced}
        onChange={(event) => setReplaced(event.currentTarget.checked)}
      />
      <Button
        variant="default"
        loading={done.isPending}
        onClick={() => done.mutate()}
        aria-label={`Done: ${say(part.name)}`}
      >
        Done
      </Button>
    </li>
  );
}
