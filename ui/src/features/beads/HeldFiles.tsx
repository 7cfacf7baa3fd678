import { Button } from '@mantine/core';
import { useEffect, useMemo } from 'react';
import { AddPicture } from './AddPicture';
import css from './boothBead.module.css';
import type { useHeld } from './useHeld';

/** Pictures and sound that go with the bead being noted. */
export function HeldFiles({ held, trouble, addPicture, drop }: ReturnType<typeof useHeld>) {
  return (
    <div className={css.files} role="group" aria-label="Pictures and sound">
      <AddPicture side="face" busy={false} onFile={(file) => void addPicture('face', file)} />
      <AddPicture side="back" busy={false} onFile={(file) => void addPicture('back', file)} />
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
