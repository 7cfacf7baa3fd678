import { Button } from '@mantine/core';
import { Line } from './words/useSay';

/** Says what went wrong and offers to try again. */
export function Trouble({ error, again }: { error: unknown; again?: () => void }) {
  return (
    <div className="trouble" role="alert">
      <span>
        <Line error={error} />
      </span>
      {again && (
        <Button variant="default" onClick={again}>
          Try again
        </Button>
      )}
    </div>
  );
}
