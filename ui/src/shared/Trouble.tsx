import { Button } from '@mantine/core';
import { Refused } from './api/client';

/** Says what went wrong and offers to try again. */
export function Trouble({ error, again }: { error: unknown; again?: () => void }) {
  return (
    <div className="trouble" role="alert">
      <span>{error instanceof Refused ? error.line : 'Something went wrong on this page.'}</span>
      {again && (
        <Button variant="default" onClick={again}>
          Try again
        </Button>
      )}
    </div>
  );
}
