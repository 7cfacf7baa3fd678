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
  squareButt: (
    <>
      <path className="plate" d="M2 12h16v8H2zM22 12h16v8H22z" />
      <path className="weld" d="M15 12q5-5 10 0l-3 0v9q-2 2-4 0v-9z" />
    </>
  ),
  vButt: (
    <>
      <path className="plate" d="M2 8h10l6 12H2zM38 8H28l-6 12h16z" />
      <path className="weld" d="M11 8q9-5 18 0l-7 13h-4z" />
    </>
  ),
  edge: (
    <>
      <path className="plate" d="M12 9h7v18h-7zM21 9h7v18h-7z" />
      <path className="weld" d="M12 9q8-9 16 0l-3 2h-10z" />
    </>
  ),
  plug: (
    <>
      <path className="plate" d="M2 19h36v7H2zM2 11h12v7H2zM26 11h12v7H26z" />
      <path className="weld" d="M14 11q6-4 12 0v8q-6 3-12 0z" />
    </>
  ),
};

/** A joint seen from its end. */
export const JointPicture = ({ joint }: { joint: Schemas['Joint'] }) => (
  <svg className="joint-picture" viewBox="0 0 40 28" aria-hidden="true">
    {pictures[joint]}
  </svg>
);
