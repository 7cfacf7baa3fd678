import { Checkbox } from '@mantine/core';
import type { Draft } from './captureDraft';

/** Whether a trial's bead was laid where the one before has not warmed the plate. */
export const FreshPiece = (props: { draft: Draft; change: (part: Partial<Draft>) => void }) => (
  <Checkbox
    size="lg"
    label="On a fresh piece, or quenched and dried"
    checked={props.draft.freshPiece}
    onChange={(event) => props.change({ freshPiece: event.currentTarget.checked })}
  />
);
