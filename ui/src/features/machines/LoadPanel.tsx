import { Button, Select } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { tellDone } from '../../shared/notices';
import { answer, api, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { gases, polarities, processes, rolls, wireName } from '../../shared/words';
import { useStock } from '../../shared/useStock';
import type { Detail } from './useMachines';
import { LoadTrouble } from '../../shared/Loaded';

const tips = [0.6, 0.8, 0.9, 1.0, 1.2, 1.6];
const tungstens = [1.0, 1.6, 2.4, 3.2, 4.0];
const list = (words: Record<string, string>) =>
  Object.entries(words).map(([value, label]) => ({ value, label }));
const millimetres = (sizes: number[]) =>
  sizes.map((mm) => ({ value: String(mm), label: `${mm.toFixed(1)} mm` }));

/** What is on the machine now: a sheet that it does not fit is stopped until this is mended. */
export function LoadPanel({ detail }: { detail: Detail }) {
  const { machine, machineId } = detail;
  const shelf = useStock();
  const stock = shelf.data;
  const queries = useQueryClient();
  const [id, setId] = useState(newId);
  const form = useForm({
    initialValues: {
      wire: machine.load.wire as string | null,
      gas: machine.load.gas,
      polarity: machine.load.polarity,
      tip: machine.load.tipMm == null ? null : String(machine.load.tipMm),
      rolls: (machine.load.rolls ?? null) as string | null,
      program: machine.load.program == null ? null : String(machine.load.program),
      tungsten: machine.load.tungstenMm == null ? null : String(machine.load.tungstenMm),
    },
  });
  const save = useMutation({
    mutationFn: (values: typeof form.values) =>
      answer(
        api.PUT('/api/machines/{id}/loads/{loadId}', {
          params: { path: { id: machineId, loadId: id } },
          body: {
            wire: values.wire as Schemas['Wire'] | null,
            gas: values.gas,
            polarity: values.polarity,
            tipMm: values.tip === null ? null : Number(values.tip),
            rolls: values.rolls as Schemas['RollGroove'] | null,
            program: values.program === null ? null : Number(values.program),
            tungstenMm: values.tungsten === null ? null : Number(values.tungsten),
          },
        }),
      ),
    onSuccess: async () => {
      setId(newId());
      form.resetDirty();
      tellDone('Noted what is on.');
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
  const programs = machine.programs ?? [];
  return (
    <form
      className="panel stack"
      aria-label="What is on"
      onSubmit={form.onSubmit((values) => save.mutate(values))}
    >
      <h2>What is on</h2>
      <LoadTrouble of={shelf} what="wires and gases" />
      <div className="form-grid">
        {machine.wireControl && (
          <>
            <Select
              label="Wire"
              clearable
              placeholder="no wire"
              data={(stock?.wires ?? []).map((wire) => ({ value: wire.wire, label: wireName(wire.wire) }))}
              {...form.getInputProps('wire')}
            />
            <Select
              label="Tip"
              clearable
              placeholder="not looked at"
              data={millimetres(tips)}
              {...form.getInputProps('tip')}
            />
            <Select
              label="Rolls"
              clearable
              placeholder="not looked at"
              data={list(rolls)}
              {...form.getInputProps('rolls')}
            />
          </>
        )}
        <Select label="Gas" data={list(gases)} {...form.getInputProps('gas')} />
        <Select label="Polarity" data={list(polarities)} {...form.getInputProps('polarity')} />
        {programs.length > 0 && (
          <Select
            label="Program"
            clearable
            placeholder="none"
            data={programs.map((program) => ({
              value: String(program.number),
              label: `${program.number}: ${wireName(program.wire)}, ${gases[program.gas]}, ${processes[program.process]}`,
            }))}
            {...form.getInputProps('program')}
          />
        )}
        {machine.ampControl && (
          <Select
            label="Tungsten"
            clearable
            placeholder="none"
            data={millimetres(tungstens)}
            {...form.getInputProps('tungsten')}
          />
        )}
      </div>
      {save.isError && <Trouble error={save.error} />}
      <Button type="submit" variant={form.isDirty() ? 'filled' : 'default'} loading={save.isPending}>
        Note what is on
      </Button>
    </form>
  );
}
