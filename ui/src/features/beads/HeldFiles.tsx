import { Button, Modal } from '@mantine/core';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { Choice } from '../../shared/Choice';
import { AddPicture } from './AddPicture';
import css from './boothBead.module.css';
import { type AimedSide, aimedSides } from './sides';
import type { useHeld } from './useHeld';

/** A camera that says whether a picture will do before it is taken. */
export type Aim = (on: { onPicture: (file: File) => void; onClose: () => void }) => ReactNode;

/** Pictures and sound that go with the bead being noted. */
export function HeldFiles({
  held,
  trouble,
  addPicture,
  drop,
  aim,
}: ReturnType<typeof useHeld> & { aim: Aim }) {
  const [aiming, setAiming] = useState(false);
  const [side, setSide] = useState<AimedSide>('face');
  return (
    <div className={css.files} role="group" aria-label="Pictures and sound">
      <AddPicture side="face" busy={false} onFile={(file) => void addPicture('face', file)} />
      <AddPicture side="back" busy={false} onFile={(file) => void addPicture('back', file)} />
      <Button variant="default" onClick={() => setAiming(true)}>
        Camera with the card
      </Button>
      <Modal
        opened={aiming}
        onClose={() => setAiming(false)}
        fullScreen
        title="Card flat beside the bead, light from the side"
      >
        <div className="stack">
          <Choice
            title="What it shows"
            words={aimedSides}
            value={side}
            onChange={(to) => to && setSide(to)}
          />
          {aim({
            onPicture: (file) => {
              void addPicture(side, file);
              setAiming(false);
            },
            onClose: () => setAiming(false),
          })}
        </div>
      </Modal>
      {held.map(({ id, kind, label, body }) => (
        <span key={id} className={css.file}>
          {kind === 'picture' && body instanceof Blob && <Small of={body} called={label} />}
          {label}
          <Button
            variant="default"
            aria-label={`Take the ${label.toLowerCase()} away`}
            onClick={() => drop(id)}
          >
            ×
          </Button>
        </span>
      ))}
      {trouble && (
        <p className="field-error" role="alert">
          {trouble}
        </p>
      )}
    </div>
  );
}

function Small({ of, called }: { of: Blob; called: string }) {
  const url = useMemo(() => URL.createObjectURL(of), [of]);
  useEffect(() => () => URL.revokeObjectURL(url), [url]);
  return <img src={url} alt={called} />;
}
