import { Button, FileButton, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api, Refused } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { tellDone, tellTrouble } from '../../shared/notices';
import { type Job, sheetQueries } from './queries';
import { asTyped, useSavePreset } from './useSheets';
import { jobLine } from './JobLine';
import { Line } from '../../shared/words/useSay';
import css from './sheets.module.css';
import { LoadTrouble } from '../../shared/Loaded';

const tooLong = 200_000;

/** A job from a named preset or a card's file, and the present one saved under a name. */
export function PresetsAndCards(props: { job: Job; canSave: boolean; onPick: (job: Job) => void }) {
  // From the first time on it stays, with what was typed in it.
  const [wanted, setWanted] = useState(false);
  return (
    <details
      className={css.presets}
      aria-label="Presets and cards"
      onToggle={(event) => event.currentTarget.open && setWanted(true)}
    >
      <summary>Presets and cards</summary>
      {wanted && <Keys {...props} />}
    </details>
  );
}

function Keys(props: { job: Job; canSave: boolean; onPick: (job: Job) => void }) {
  const presets = useQuery(sheetQueries.presets());
  // Cleared after each file, so that the same one can be picked again once it was mended.
  const clear = useRef<() => void>(null);
  const [naming, setNaming] = useState(false);
  const form = useForm({ initialValues: { name: '' } });
  const [id, setId] = useState(newId);
  const save = useSavePreset((preset) => {
    setId(newId());
    setNaming(false);
    form.reset();
    tellDone(`Saved as ${preset.name}, version ${preset.version}.`);
  });
  const read = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > tooLong) throw new Refused(400, 'This file is too long for a settings card.');
      return answer(api.POST('/api/cards/read', { body: { text: await file.text() } }));
    },
    onSuccess: (job) => {
      props.onPick(job);
      tellDone('The job of the card stands in the form.');
    },
    onError: tellTrouble,
  });
  return (
    <>
      <LoadTrouble of={presets} what="the presets" />
      <Select
        label="Preset"
        placeholder={presets.data?.length === 0 ? 'none saved yet' : 'a job by name'}
        searchable
        nothingFoundMessage="No preset by that name"
        data={(presets.data ?? []).map((preset) => ({
          value: preset.id,
          label: `${preset.name} (version ${preset.version}): ${jobLine(preset.job)}`,
        }))}
        value={null}
        onChange={(picked) => {
          const preset = presets.data?.find((each) => each.id === picked);
          if (preset) props.onPick(asTyped(preset.job));
        }}
      />
      {naming ? (
        <form
          className="naming"
          onSubmit={form.onSubmit(({ name }) => save.mutate({ id, name, job: props.job }))}
        >
          <TextInput
            label="Name of the preset"
            autoFocus
            maxLength={60}
            {...form.getInputProps('name')}
            error={save.isError && <Line error={save.error} />}
          />
          <Button type="submit" loading={save.isPending}>
            Save
          </Button>
        </form>
      ) : (
        <div className="row">
          <Button variant="default" disabled={!props.canSave} onClick={() => setNaming(true)}>
            Save as preset
          </Button>
          <FileButton
            accept=".json,.csv,application/json,text/csv"
            resetRef={clear}
            onChange={(file) => {
              if (file) read.mutate(file);
              clear.current?.();
            }}
          >
            {(open) => (
              <Button {...open} variant="default" loading={read.isPending}>
                From a card’s file
              </Button>
            )}
          </FileButton>
        </div>
      )}
    </>
  );
}
