import { Button } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { type Fault, faults, faultsOf } from './setups';

/** Something goes wrong with the arc, or nothing does: which is it? */
export function HiddenFault(props: {
  process: Schemas['Process'];
  hidden: Fault | undefined;
  onHide: (fault: Fault | undefined) => void;
}) {
  const { hidden, onHide } = props;
  const [guess, setGuess] = useState<Fault | null>(null);
  const hideable = faultsOf(props.process);
  const hide = () => {
    const all = Object.keys(hideable) as Fault[];
    onHide(all[Math.floor(Math.random() * all.length)]);
    setGuess(null);
  };
  return (
    <section className="panel stack" aria-label="Hidden fault">
      {hidden === undefined ? (
        <>
          <h2>Guess the fault</h2>
          <p className="quiet">Something goes wrong with this arc, or nothing does. Listen, look, turn.</p>
          <Button size="lg" variant="default" onClick={hide}>
            Hide a fault
          </Button>
        </>
      ) : (
        <>
          <Choice title="What is wrong?" words={hideable} value={guess} onChange={setGuess} />
          {guess && (
            <p role="status">
              {guess === hidden ? (
                <b>Right: {faults[hidden].toLowerCase()}.</b>
              ) : (
                `Not ${faults[guess].toLowerCase()}. Listen again.`
              )}
            </p>
          )}
          <div className="row">
            <Button variant="default" onClick={hide}>
              Another one
            </Button>
            <Button variant="default" onClick={() => onHide(undefined)}>
              Take it away
            </Button>
          </div>
        </>
      )}
    </section>
  );
}
