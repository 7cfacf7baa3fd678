import { Button, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState } from 'react';
import { tellDone } from '../../shared/notices';
import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useKeep } from './useKept';

/** Keeps the marks of a bead, or of the sheet itself, with the job they belong to. */
export function KeepButton(props: {
  machineId: string;
  sheet: Schemas['AssignedSheet'];
  bead?: Schemas['Bead'] | undefined;
}) {
  const { sheet, bead } = props;
  const [asking, setAsking] = useState(false);
  const form = useForm({ initialValues: { note: '' } });
  const [id, setId] = useState(newId);
  const keep = useKeep(() => {
    setId(newId());
    setAsking(false);
    form.reset();
    tellDone('Kept. Find it again under Kept.');
  });
  const marks = sheet.body.pair?.marks;
  const wireMark = bead ? bead.wireMark : (marks?.wire.mark ?? null);
  const voltMark = bead ? bead.voltMark : (marks?.volt.mark ?? null);
  const ampMark = (bead ? bead.ampMark : sheet.body.tig?.mark?.mark) ?? null;
  // A bead measured at the torch has no marks to come back to.
  const can = sheet.body.tig ? ampMark !== null : wireMark !== null && voltMark !== null;
  if (!can) return null;
  if (!asking) {
    return (
      <Button variant="default" onClick={() => setAsking(true)}>
        Keep this setting
      </Button>
    );
  }
  return (
    <form
      className="naming"
      aria-label="Keep this setting"
      onSubmit={form.onSubmit(({ note }) =>
        keep.mutate({
          id,
          body: {
            machineId: props.machineId,
            sheetId: sheet.id,
            beadId: bead?.id ?? null,
            wireMark: sheet.body.tig ? null : wireMark,
            voltMark: sheet.body.tig ? null : voltMark,
            ampMark,
            note,
          },
        }),
      )}
    >
      <TextInput
        label="What for?"
        placeholder="a word, if you like"
        autoFocus
        maxLength={200}
        {...form.getInputProps('note')}
      />
      <Button type="submit" loading={keep.isPending}>
        Keep
      </Button>
      {keep.isError && <Trouble error={keep.error} />}
    </form>
  );
}
