import { Button } from '@mantine/core';
import { useState } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { enterStays } from '../../shared/submitKeys';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { useFields } from '../../shared/words/useSay';
import { fromBead, SettingsUsed, toSettings } from './SettingsUsed';
import { useLook } from './useBeads';

/** What was set was written down wrong: put right, judged anew, and what stood before is kept. */
export function CorrectSettings(props: {
  bead: Schemas['Bead'];
  machine: Schemas['Machine'];
  onDone: () => void;
}) {
  const { bead } = props;
  const { units } = useUnits();
  const [draft, setDraft] = useState(() => fromBead(bead, units));
  const [id] = useState(newId);
  const look = useLook(props.onDone);
  const fields = useFields(look.error);
  const tungsten = bead.used === null;
  const outdated = look.error instanceof Refused && look.error.status === 412;
  return (
    <form
      className="stack"
      aria-label="Correct the settings"
      onKeyDown={enterStays}
      onSubmit={(event) => {
        event.preventDefault();
        const settings = toSettings(draft, tungsten, units);
        look.mutate({ id, beadId: bead.id, version: bead.version, evidence: bead.evidence, settings });
      }}
    >
      <SettingsUsed
        machine={props.machine}
        tungsten={tungsten}
        draft={draft}
        change={(part) => setDraft((before) => ({ ...before, ...part }))}
        fields={fields}
      />
      {look.isError && Object.keys(fields).length === 0 && <Trouble error={look.error} />}
      <div className="row">
        <Button type="submit" size="lg" loading={look.isPending} disabled={outdated}>
          Judge bead {bead.number} anew
        </Button>
        <Button size="lg" variant="default" onClick={props.onDone}>
          Back
        </Button>
      </div>
    </form>
  );
}
