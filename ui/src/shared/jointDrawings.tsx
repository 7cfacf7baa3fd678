import type { ReactNode } from 'react';
import type { Schemas } from './api/client';

/** How a joint is drawn, seen from its end. */
export type JointDrawing = {
  /** Plates and weld, to choose it by; 40 wide, 28 high. */
  picture: ReactNode;
  /** The plates under a bead that is drawn on them: the bead's middle at 0, 2; a fillet's root at 4, 0. */
  plates: ReactNode;
  /** Whether the bead lies in the corner of two plates. */
  fillet?: boolean;
};

/** Every joint's drawings. */
export const jointDrawings: Record<Schemas['Joint'], JointDrawing> = {
  beadOnPlate: {
    picture: (
      <>
        <path data-part="plate" d="M2 18h36v7H2z" />
        <path data-part="weld" d="M13 18q7-9 14 0z" />
      </>
    ),
    plates: <rect data-part="plate" x={-30} y={2} width={60} height={14} />,
  },
  lap: {
    picture: (
      <>
        <path data-part="plate" d="M2 19h30v6H2zM14 12h24v6H14z" />
        <path data-part="weld" d="M14 12v7H6z" />
      </>
    ),
    plates: (
      <>
        <path data-part="plate" d="M-9,-14H4V0H46V12H-9z" />
        <path data-part="seam" d="M-9,0H4" />
      </>
    ),
    fillet: true,
  },
  t: {
    picture: (
      <>
        <path data-part="plate" d="M2 19h36v6H2zM17 2h6v17h-6z" />
        <path data-part="weld" d="M23 11v8h8z" />
      </>
    ),
    plates: <path data-part="plate" d="M-8,-48H4V0H46V12H-8z" />,
    fillet: true,
  },
  outsideCorner: {
    picture: (
      <>
        <path data-part="plate" d="M4 10h22v6H4zM26 16h6v11h-6z" />
        <path data-part="weld" d="M26 10q7-1 6 6h-6z" />
      </>
    ),
    plates: <path data-part="plate" d="M0,2L-24,26l-8-8L-8,-6H8L32,18l-8,8z" transform="translate(0 4)" />,
  },
  squareButt: {
    picture: (
      <>
        <path data-part="plate" d="M2 12h16v8H2zM22 12h16v8H22z" />
        <path data-part="weld" d="M15 12q5-5 10 0l-3 0v9q-2 2-4 0v-9z" />
      </>
    ),
    plates: <path data-part="plate" d="M-30,2H-2V16H-30zM2,2H30V16H2z" />,
  },
  vButt: {
    picture: (
      <>
        <path data-part="plate" d="M2 8h10l6 12H2zM38 8H28l-6 12h16z" />
        <path data-part="weld" d="M11 8q9-5 18 0l-7 13h-4z" />
      </>
    ),
    plates: <path data-part="plate" d="M-30,2H-9L-2,16H-30zM30,2H9L2,16H30z" />,
  },
  edge: {
    picture: (
      <>
        <path data-part="plate" d="M12 9h7v18h-7zM21 9h7v18h-7z" />
        <path data-part="weld" d="M12 9q8-9 16 0l-3 2h-10z" />
      </>
    ),
    plates: <path data-part="plate" d="M-11,2H-1V30H-11zM1,2H11V30H1z" />,
  },
  plug: {
    picture: (
      <>
        <path data-part="plate" d="M2 19h36v7H2zM2 11h12v7H2zM26 11h12v7H26z" />
        <path data-part="weld" d="M14 11q6-4 12 0v8q-6 3-12 0z" />
      </>
    ),
    plates: <path data-part="plate" d="M-30,2H-10V12H-30zM30,2H10V12H30zM-30,13H30V22H-30z" />,
  },
};
