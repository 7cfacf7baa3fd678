import { Button } from '@mantine/core';
import type { ReactNode } from 'react';
import { Refused } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import css from './capture.module.css';

/** The key that records and judges a bead, and why it did not where it did not. */
export function JudgeKey(props: {
  pending: boolean;
  error: Error | null;
  fields: Record<string, string>;
  onPress: () => void;
  /** What stands in the place of trouble where the bead was saved at an earlier try. */
  children: ReactNode;
}) {
  const wrong = Object.values(props.fields);
  return (
    <div className={css.judge}>
      {props.children ||
        (props.error && (
          <Trouble
            error={wrong.length > 0 ? new Refused(400, `Not saved yet. ${wrong.join(' ')}`) : props.error}
          />
        ))}
      <Button type="submit" size="xl" fullWidth loading={props.pending} onClick={props.onPress}>
        Judge the bead
      </Button>
    </div>
  );
}
