import type { Schemas } from '../../shared/api/client';
import { jointDrawings } from '../../shared/jointDrawings';

/** A joint seen from its end. */
export const JointPicture = ({ joint }: { joint: Schemas['Joint'] }) => (
  <svg className="joint-picture" viewBox="0 0 40 28" aria-hidden="true">
    {jointDrawings[joint].picture}
  </svg>
);
