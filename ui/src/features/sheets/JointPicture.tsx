import type { Schemas } from '../../shared/api/client';
import { jointDrawings } from '../../shared/jointDrawings';
import css from './jointPicture.module.css';

/** A joint seen from its end. */
export const JointPicture = ({ joint }: { joint: Schemas['Joint'] }) => (
  <svg className={css.jointPicture} viewBox="0 0 40 28" aria-hidden="true">
    {jointDrawings[joint].picture}
  </svg>
);
