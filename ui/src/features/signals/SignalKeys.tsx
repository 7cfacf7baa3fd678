import { Button, Modal } from '@mantine/core';
import { useState } from 'react';
import { give } from './signal';
import { SignalWays } from './SignalWays';

/** The key to how a booth's screen signals, and one to try it. */
export function SignalKeys() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="default" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        Signals
      </Button>
      <Modal opened={open} onClose={() => setOpen(false)} title="Signals of this screen">
        <div className="stack">
          <SignalWays />
          <Button size="lg" variant="default" onClick={() => give('answer')}>
            Try it
          </Button>
        </div>
      </Modal>
    </>
  );
}
