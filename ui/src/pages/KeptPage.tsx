import { Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { Page } from '../shared/page/Page';
import { joints } from '../shared/words';
import { KeptList } from '../features/kept/KeptList';

/** Settings that worked, found again by job. */
export function KeptPage() {
  const [thickness, setThickness] = useState('');
  const [joint, setJoint] = useState<string | null>(null);
  return (
    <Page
      title="Kept settings"
      under="What worked, with its wire, gas and plate, until somebody has turned the knobs"
    >
      <section className="panel stack">
        <div className="form-grid">
          <TextInput
            label="For plate"
            placeholder="any: 1/8, 11 ga, 3.2"
            maxLength={40}
            value={thickness}
            onChange={(event) => setThickness(event.currentTarget.value)}
          />
          <Select
            label="For joint"
            placeholder="any"
            clearable
            data={Object.entries(joints).map(([value, label]) => ({ value, label }))}
            value={joint}
            onChange={setJoint}
          />
        </div>
        <KeptList thickness={thickness} joint={joint ?? undefined} />
      </section>
    </Page>
  );
}
