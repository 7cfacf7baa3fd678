import { Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { joints } from '../shared/words';
import { KeptList } from '../features/kept/KeptList';

/** Settings that worked, found again by job. */
export function KeptPage() {
  const [thickness, setThickness] = useState('');
  const [joint, setJoint] = useState<string | null>(null);
  return (
    <>
      <div className="page-head">
        <div>
          <h1>Kept settings</h1>
          <p className="quiet">
            What worked, with its wire, gas and plate, until somebody has turned the knobs
          </p>
        </div>
      </div>
      <section className="panel stack">
        <div className="form-grid">
          <TextInput
            label="For plate"
            placeholder="any: 1/8, 11 ga, 3.2"
            size="md"
            maxLength={40}
            value={thickness}
            onChange={(event) => setThickness(event.currentTarget.value)}
          />
          <Select
            label="For joint"
            placeholder="any"
            size="md"
            clearable
            data={Object.entries(joints).map(([value, label]) => ({ value, label }))}
            value={joint}
            onChange={setJoint}
          />
        </div>
        <KeptList thickness={thickness} joint={joint ?? undefined} />
      </section>
    </>
  );
}
