import type { Schemas } from '../../shared/api/client';

/** What each side of a bead is called that a picture can show. */
export const sides: Record<Schemas['PictureSide'], string> = { face: 'Face', back: 'Back', macro: 'Section' };

/** Those that the camera with the card takes. */
export const aimedSides = { face: sides.face, back: sides.back };

export type AimedSide = keyof typeof aimedSides;
