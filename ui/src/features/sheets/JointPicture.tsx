import type { Schemas } from '../../shared/api/client';

const pictures: Record<Schemas['Joint'], React.ReactNode> = {
  beadOnPlate: (
    <>
      <path className="plate" d="M2 18h36v7H2z" />
      <path className="weld" d="M13 18q7-9 14 0z" />
    </>
  ),
  lap: (
    <>
      <path className="plate" d="M2 19h30v6H2zM14 12h24v6H14z" />
      <path className="weld" d="M14 12v7H6z" />
    </>
  ),
  t: (
    <>
      <path className="plate" d="M2 19h36v6H2zM17 2h6v17h-6z" />
      <path className="weld" d="M23 11v8h8z" />
    </>
  ),
  outsideCorner: (
    <>
      <path className="plate" d="M4 10h22v6H4zM26 16h6v11h-6z" />
      <path className="weld" d="M26 10q7-1 6 6h-6z" />
    </>
  ),
};

/** A joint seen from its end. */
export const JointPicture = ({ joint }: { joint: Schemas['Joint'] }) => (
  <svg className="joint-picture" viewBox="0 0 40 28" aria-hidden="true">
    {pictures[joint]}
  </svg>
);
